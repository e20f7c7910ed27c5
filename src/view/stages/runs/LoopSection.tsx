'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { componentName, findComponent, type EndPiece, type Loop } from '@/core/design';
import {
  GROWTH_LIMIT_BAR,
  growthVerdict,
  loopExpansion,
  reservoirsOf,
  type Expansion,
} from '@/core/bom';
import { draining } from '@/core/loops';
import { formatMeasure, formatMillimetres, formatNumber } from '@/core/units';
import { Mark, Pick, Why, useOfferSoon, QuantityField, Press, rich } from '@/view/shared';
import { fittingFor } from '@/core/loops';
import { useEditor } from '@/view/workspace';
import { counted, msg, worded, noted } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { reasonForExpansion, reasonForRun, reasonForVolume } from '../reasons/run';
import { CapFields } from './CapFields';
import { LineOut } from './LineOut';
import { MandrelsInHand } from './MandrelsInHand';
import styles from './RunsStage.module.css';

/** What warm coolant presses into: the air of the loop, and what its soft tubes give. */
const intoWords = ({ air_mL, swells_mL }: Expansion): string =>
  swells_mL >= 0.05
    ? msg`${formatMeasure(air_mL, 'mL')} of air and
        ${formatMeasure(swells_mL, 'mL', { decimals: 1 })} that tubes give`
    : msg`${formatMeasure(air_mL, 'mL')} of air`;

const END_WORDS: Record<EndPiece, string> = worded(() => ({
  auto: msg`auto`,
  straight: msg`straight`,
  rotary45: '45°',
  rotary90: '90°',
  extender: msg`ext.`,
  extendedRotary90: msg`ext. + 90°`,
  doubleRotary45: '2 × 45°',
}));

/** One loop: its tube and fittings, its runs, spare ports, what it holds and how it grows. */
export function LoopSection({ loop }: { readonly loop: Loop }) {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const commit = useEditor((s) => s.commit);
  const { runs, tidiness, bom: list } = analysis.reports;
  const tubes = useOfferSoon('tube'),
    fittings = useOfferSoon('fitting');
  const graph = analysis.system.loops.find((g) => g.loop.id === loop.id);
  const own = (graph?.route ?? []).flatMap((id) => runs.filter((r) => r.id === id));
  const guessed = own.some((r) => r.by === 'tube' && r.estimated);
  const volume = list.volumes.find((v) => v.loop === loop.id);
  const hot =
    analysis.reports.heat[design.brief.loadCase].loops.find((l) => l.id === loop.id)?.hottest_C ??
    null;
  const grows =
    volume && hot !== null
      ? loopExpansion(analysis.system, loop, runs, volume.total_mL, hot)
      : null;
  const tidyWords = (id: string): string => {
    const tidy = tidiness.runs.find((t) => t.connection === id);
    return tidy ? `${formatNumber(tidy.score * 100)} %` : '–';
  };
  const drain = draining(analysis.system, loop);
  const portOf = (c: {
    readonly component: string;
    readonly port: string;
  }): { readonly component: string | undefined; readonly port: string | undefined } => {
    const component = findComponent(design, c.component);
    return {
      component: component?.name,
      port:
        component && 'ports' in component.part
          ? component.part.ports.find((p) => p.id === c.port)?.name
          : c.port,
    };
  };
  return (
    <Section
      title={loop.name}
      aside={
        <Press
          className={styles.quiet}
          onClick={() => commit(msg`take ${loop.name} apart`, { do: 'loop.remove', loop: loop.id })}
        >
          {msg`Disconnect this loop`}
        </Press>
      }
    >
      <div className={styles.ends}>
        <Pick
          label={msg`Tube`}
          value={loop.tube.id}
          options={[
            ...(tubes.some((t) => t.id === loop.tube.id)
              ? []
              : [{ value: loop.tube.id, label: loop.tube.name }]),
            ...tubes.map((t) => ({ value: t.id, label: t.name })),
          ]}
          onPick={(id) => {
            const tube = tubes.find((t) => t.id === id);
            const fitting = tube && fittingFor(tube, fittings);
            if (tube)
              commit(msg`use ${tube.name}`, {
                do: 'loop.tube',
                loop: loop.id,
                tube,
                fitting: fitting ?? loop.fitting,
              });
          }}
        />
        <Pick
          label={msg`Fitting`}
          value={loop.fitting.id}
          options={[
            ...(fittings.some((f) => f.id === loop.fitting.id) ? [] : [loop.fitting]),
            ...fittings.filter((p) => ['compression', 'barb', 'hard-tube'].includes(p.duty)),
          ].map((f) => ({ value: f.id, label: f.name }))}
          onPick={(id) => {
            const fitting = fittings.find((p) => p.id === id);
            if (fitting)
              commit(msg`use ${fitting.name}`, { do: 'loop.fitting', loop: loop.id, fitting });
          }}
        />
      </div>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>{msg`from, to`}</TableCell>
            <TableCell>{msg`ends`}</TableCell>
            <TableCell className="num">{msg`bends`}</TableCell>
            <TableCell className="num">{msg`tidy`}</TableCell>
            <TableCell className="num">{guessed ? msg`cut, est.` : msg`cut`}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {own.map((r) => {
            const constraints = loop.connections.find((l) => l.id === r.id)?.constraints;
            const pinned = design.layout.routes[r.id]?.pinned ?? false;
            const endWords = () => {
              if (r.by === 'direct') {
                if (r.bridge) return msg`bridge`;
                return msg`direct`;
              }
              return `${END_WORDS[r.ends.from]} / ${END_WORDS[r.ends.to]}`;
            };
            return (
              <TableRow
                key={r.id}
                className={styles.run}
                data-picked={picked === r.id || undefined}
              >
                <TableCell>
                  <Press
                    className={styles.name}
                    onClick={() => pick(picked === r.id ? null : r.id)}
                  >
                    {r.name}
                  </Press>
                  {(constraints || pinned) && (
                    <span className="soft"> {pinned ? msg`pinned` : msg`by hand`}</span>
                  )}
                  {r.by === 'tube' && r.estimated && (
                    <span className="soft"> {msg`not routed`}</span>
                  )}
                </TableCell>
                <TableCell className="narrow">{endWords()}</TableCell>
                <TableCell className="num">{r.by === 'direct' ? '–' : r.bends}</TableCell>
                <TableCell className="num">{tidyWords(r.id)}</TableCell>
                <TableCell className="num">
                  {r.by === 'direct' ? (
                    '–'
                  ) : (
                    <Why reason={reasonForRun(r)}>
                      {r.estimated ? '~' : ''}
                      {formatMillimetres(r.cut_mm)}
                    </Why>
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      {loop.tube.hard && <MandrelsInHand loop={loop} />}
      <details className={styles.caps}>
        <summary>
          {msg`Spare ports:
            ${counted(loop.caps.filter((c) => c.with === 'plug').length, '# plug', '# plugs')},
            ${counted(loop.caps.filter((c) => c.with === 'drain').length, '# drain', '# drains')},
            ${loop.caps.filter((c) => c.with === 'fill').length} to fill by`}
        </summary>
        <Table>
          <TableBody>
            {loop.caps.map((c) => {
              const { component, port } = portOf(c);
              return (
                <TableRow key={`${c.component}-${c.port}`}>
                  <TableCell>
                    {component}, {port}
                  </TableCell>
                  <TableCell>
                    <CapFields loop={loop} cap={c} called={`${component} ${port}`} />
                    <LineOut cap={c} />
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </details>
      {volume && (
        <p className="soft">
          {rich`Holds ${(
            <Why reason={reasonForVolume(volume)}>
              {noted(formatMeasure(volume.total_mL, 'mL'), guessed && msg`estimated`)}
            </Why>
          )}; ${formatMeasure(volume.buy_mL, 'mL')} to buy with spare.`}
        </p>
      )}
      {grows && (
        <p>
          <Mark verdict={growthVerdict(grows)} />{' '}
          {rich`Warm, it expands by ${(
            <Why reason={reasonForExpansion(grows)}>
              {formatMeasure(grows.grows_mL, 'mL', { decimals: 1 })}
            </Why>
          )} into ${intoWords(grows)}: ${
            Number.isFinite(grows.rises_bar)
              ? msg`${formatMeasure(grows.rises_bar, 'bar', { decimals: 2 })} above room pressure,
                  of ${formatMeasure(GROWTH_LIMIT_BAR, 'bar', { decimals: 2 })}`
              : msg`there is no air to take it up`
          }. Closed warm it is ${formatMeasure(grows.sinks_bar, 'bar', { decimals: 2 })} below room pressure when cold.`}
        </p>
      )}
      {reservoirsOf(design, loop).map((r) => (
        <p key={r.id}>
          <QuantityField
            label={msg`${componentName(design, r.id)} filled, of ${formatMeasure(r.volume_mL, 'mL')}`}
            value={r.fill_mL}
            quantity="volume"
            min={1}
            max={r.volume_mL}
            width={56}
            onCommit={(fill_mL) =>
              fill_mL !== null &&
              commit(
                msg`filled ${componentName(design, r.id)} to ${formatMeasure(fill_mL, 'mL')}`,
                {
                  do: 'component.fill',
                  component: r.id,
                  fill_mL,
                },
              )
            }
          />
        </p>
      ))}
      {drain.drain && (
        <p className="soft">
          {rich`Drained at ${portOf(drain.drain).component}, ${portOf(drain.drain).port}:`}{' '}
          {drain.stays_mL < 3
            ? msg`next to nothing stays.`
            : msg`about ${formatMeasure(drain.stays_mL, 'mL')} stay, in ${drain.stays
                .slice(0, 3)
                .map((s) => componentName(design, s.component))
                .join(', ')}.`}
        </p>
      )}
    </Section>
  );
}
