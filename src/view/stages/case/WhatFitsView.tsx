'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo, useState } from 'react';
import { hangEdit, hangSetEdit, type FanFaces, type FitChoice, type FitSet } from '@/core/studies';
import type { FanPart, RadiatorPart } from '@/core/components';
import { formatMeasure, formatNumber } from '@/core/units';
import { Mark, Pick, Progress, Segments, useOffer, Press, rich } from '@/view/shared';
import { useEditor, useWhatFits } from '@/view/workspace';
import { msg, worded, noted } from '@/core/messages';
import styles from './WhatFitsView.module.css';

const FACES: readonly { readonly value: FanFaces; readonly label: string }[] = worded(() => [
  { value: 'frame', label: msg`between radiator and panel` },
  { value: 'interior', label: msg`inside` },
  { value: 'both', label: msg`in push-pull` },
  { value: 'outside', label: msg`outside the panel` },
]);
const VERDICT = { clash: 'fails', marginal: 'marginal', clear: 'ok' } as const;

/** Every radiator on every mount, with what is in; and the largest sets for the whole case. */
export function WhatFitsView() {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const { result, fresh, progress, stopped, stop, retry } = useWhatFits();
  const offer = useOffer();
  const [faces, setFaces] = useState<FanFaces>('frame');
  const [depth, setDepth] = useState(25);
  const [at, setAt] = useState<{ readonly mount: string; readonly radiator: string } | null>(null);
  const parts = useMemo(
    () => [...design.components.map((i) => i.part), ...offer],
    [design.components, offer],
  );
  const radiators = useMemo(
    () =>
      parts
        .filter((p): p is RadiatorPart => p.kind === 'radiator')
        .filter((p, i, all) => all.findIndex((q) => q.id === p.id) === i)
        .sort(
          (a, b) => b.sections * b.section_mm - a.sections * a.section_mm || a.size[2] - b.size[2],
        ),
    [parts],
  );
  const fanOf = (id: string): FanPart | undefined =>
    parts.find((p): p is FanPart => p.kind === 'fan' && p.id === id);
  const mounts = design.case?.mounts ?? [];
  const choiceAt = (mount: string, radiator: string): FitChoice | undefined => {
    const of =
      result?.mounts
        .find((m) => m.mount === mount)
        ?.choices.filter((c) => c.radiator === radiator && c.faces === faces) ?? [];
    // The depth asked for, or the nearest a fan of that size is made in.
    return of
      .slice()
      .sort(
        (a, b) =>
          Math.abs((fanOf(a.fan)?.size[2] ?? 0) - depth) -
          Math.abs((fanOf(b.fan)?.size[2] ?? 0) - depth),
      )[0];
  };
  const refusal = (mount: string, radiator: string): string | undefined =>
    result?.mounts.find((m) => m.mount === mount)?.refused.find((r) => r.radiator === radiator)
      ?.why;
  const nameOf = (id: string): string => radiators.find((r) => r.id === id)?.name ?? id;
  const mountName = (id: string): string => mounts.find((m) => m.id === id)?.name ?? id;
  const hang = (c: FitChoice): void => {
    commit(
      msg`mount ${nameOf(c.radiator)} on the ${mountName(c.mount).toLowerCase()}`,
      hangEdit(design, c, offer),
    );
    pick(null);
  };
  const hangSet = (s: FitSet): void =>
    commit(msg`mount a whole set of radiators`, hangSetEdit(design, s, offer));
  const depths = [...new Set(parts.flatMap((p) => (p.kind === 'fan' ? [p.size[2]] : [])))].sort(
    (a, b) => a - b,
  );
  const open = at ? choiceAt(at.mount, at.radiator) : undefined;
  const hangs = (mount: string): string | undefined =>
    design.components.find(
      (i) =>
        i.part.kind === 'radiator' && i.placement.on === 'mount' && i.placement.mount === mount,
    )?.part.id;
  return (
    <div className={styles.view}>
      <div className={styles.ask}>
        <Segments label={msg`Fans of the stack`} value={faces} options={FACES} onPick={setFaces} />
        <Pick
          label={msg`Fans`}
          value={String(depth)}
          options={depths.map((d) => ({
            value: String(d),
            label: msg`${formatMeasure(d, 'mm')} thick`,
          }))}
          onPick={(v) => setDepth(Number(v))}
        />
      </div>
      <Progress
        share={progress}
        stopped={stopped}
        onStop={stop}
        onAgain={retry}
        what={msg`what fits`}
      />
      {result && (
        <div data-stale={!fresh || undefined} aria-busy={!fresh}>
          <h2>{msg`Largest sets for this case`}</h2>
          {result.sets.length === 0 && (
            <p className="soft">
              {msg`No radiator in the catalogue fits beside the parts that are already in this
                case.`}
            </p>
          )}
          <ul className={styles.sets}>
            {result.sets.map((s) => (
              <li key={s.picks.map((p) => p.mount + p.radiator).join()}>
                <Mark verdict={VERDICT[s.verdict]} />{' '}
                <strong>{msg`${formatNumber(s.area_mm2 / 14400, { decimals: 1 })} sections of
                  120`}</strong>
                <span className={styles.picks}>
                  {s.picks
                    .map((p) =>
                      noted(
                        `${mountName(p.mount).toLowerCase()}: ${nameOf(p.radiator)}`,
                        p.slide_mm > 0 && msg`slid ${formatMeasure(p.slide_mm, 'mm')}`,
                      ),
                    )
                    .join('; ')}
                  {s.gap_mm === null
                    ? ''
                    : `. Nearest thing ${formatMeasure(s.gap_mm, 'mm', { decimals: 1 })}`}
                </span>
                <Press className={styles.use} disabled={!fresh} onClick={() => hangSet(s)}>
                  {msg`mount this set`}
                </Press>
              </li>
            ))}
          </ul>
          <h2>{msg`Each mount, with all that is in now`}</h2>
          <Table className={styles.matrix}>
            <TableHead>
              <TableRow>
                <TableCell>{msg`radiator`}</TableCell>
                {mounts.map((m) => (
                  <TableCell key={m.id}>{m.name}</TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {radiators.map((r) => (
                <TableRow key={r.id}>
                  <TableCell component="th" scope="row">
                    {r.name}
                  </TableCell>
                  {mounts.map((m) => {
                    const c = choiceAt(m.id, r.id),
                      why = refusal(m.id, r.id),
                      chosen = at?.mount === m.id && at.radiator === r.id;
                    if (!c)
                      return (
                        <TableCell key={m.id} className="soft" title={why}>
                          {why ?? (faces === 'outside' ? msg`no clearance under a cover` : '–')}
                        </TableCell>
                      );
                    const clearanceWords = () => {
                      if (c.fittings === false) return msg`no clearance for fittings`;
                      if (c.gap_mm === null) return msg`nothing near`;
                      return `${formatMeasure(c.gap_mm, 'mm', { decimals: 1 })}`;
                    };
                    return (
                      <TableCell key={m.id} data-picked={chosen || undefined}>
                        <Press
                          className={styles.cell}
                          aria-pressed={chosen}
                          onClick={() => setAt(chosen ? null : { mount: m.id, radiator: r.id })}
                          aria-label={msg`${r.name} on the ${m.name.toLowerCase()}:
                            ${c.verdict}${c.gap_mm === null ? '' : `, ${formatMeasure(c.gap_mm, 'mm', { decimals: 1 })}`}`}
                        >
                          <Mark verdict={VERDICT[c.verdict]} /> {clearanceWords()}
                          {hangs(m.id) === r.id ? (
                            <span className="soft"> {msg`in place`}</span>
                          ) : null}
                        </Press>
                      </TableCell>
                    );
                  })}
                </TableRow>
              ))}
            </TableBody>
          </Table>
          {at && open && (
            <div className={styles.detail} role="status">
              <p>
                {rich`${(<strong>{nameOf(open.radiator)}</strong>)} on the
                  ${mountName(open.mount).toLowerCase()}: stack
                  ${formatMeasure(open.stack_mm, 'mm')} with ${fanOf(open.fan)?.name}, slid
                  ${formatMeasure(open.slide_mm, 'mm')}, ports to the
                  ${open.ports === 'end' ? msg`far end` : msg`start`} of the rail.`}{' '}
                {open.gap_mm === null ? (
                  msg`Nothing is near.`
                ) : (
                  <>
                    {rich`Nearest: ${open.with},
                      ${formatMeasure(open.gap_mm, 'mm', { decimals: 1 })}; worst case
                      ${formatMeasure(open.worst_mm, 'mm', { decimals: 1 })}.`}
                  </>
                )}{' '}
                {open.fittings === false ? msg`No straight fitting goes into its ports.` : ''}
              </p>
              <Press className={styles.use} disabled={!fresh} onClick={() => hang(open)}>
                {open.verdict === 'clash' ? msg`mount it anyway` : msg`mount it`}
              </Press>
            </div>
          )}
          <p className="soft">
            {msg`Each is tried at the ends, the middle and every ${formatMeasure(10, 'mm')} of
              its rail with its ports to either end; the position with the largest gap is
              reported. Marginal is below ${formatMeasure(design.brief.limits.clear_mm, 'mm')}.
              Sets take no fans in push-pull.`}
          </p>
        </div>
      )}
    </div>
  );
}
