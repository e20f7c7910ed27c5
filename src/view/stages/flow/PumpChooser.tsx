'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { PumpAim, PumpAsked, PumpChoice } from '@/core/studies';
import { formatFlow, formatKelvin, formatMoney, formatNumber, formatSpeed } from '@/core/units';
import { Mark, Progress, Segments, Press } from '@/view/shared';
import { useEditor, usePumpChoices, usePumpPlan } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { PumpPlanPanel } from './PumpPlanPanel';
import styles from './FlowStage.module.css';

const WAYS = worded(
  () =>
    [
      { value: 'one', label: msg`one` },
      { value: 'series', label: msg`two in series` },
      { value: 'parallel', label: msg`two in parallel` },
    ] as const,
);
const WAY_WORDS = worded(
  () => ({ one: 'one', series: msg`two in series`, parallel: msg`two in parallel` }) as const,
);

const AIMS = worded(
  () =>
    [
      { value: 'brief', label: msg`as slow as the brief allows` },
      { value: 'today', label: msg`today’s flow` },
      { value: 'full', label: msg`flat out` },
    ] as const,
);

/**
 * Pumps of the Stores in this loop: who reaches the wanted flow, at what speed and noise, and what
 * going slower costs.
 */
export function PumpChooser({ loop }: { readonly loop: string }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const { result, progress, stopped, stop, retry } = usePumpChoices(loop);
  const rows = result ?? [];
  const [way, setWay] = useState<PumpChoice['way']>('one');
  const [aim, setAim] = useState<PumpAim>('brief');
  const [asked, setAsked] = useState<Pick<PumpAsked, 'part' | 'way'> | null>(null);
  const planned = usePumpPlan(asked && { loop, aim, ...asked });
  const target = design.brief.limits.flow_Lmin;
  const shown = rows.filter((r) => r.way === way);
  const inPlace = design.components.filter((i) => i.part.kind === 'pump').map((i) => i.part.id);
  const best = shown.find((r) => r.speed_rpm !== null);
  const plan = planned.fresh ? planned.result?.plan : null;
  const title = asked ? `${asked.part.name}, ${WAY_WORDS[asked.way]}` : '';
  return (
    <Section title={msg`Choose a pump for ${formatFlow(target)}`}>
      <div className={styles.ways}>
        <Segments label={msg`How many`} value={way} options={WAYS} onPick={setWay} />
      </div>
      {asked && (
        <div className={styles.ways}>
          <Segments label={msg`Speed`} value={aim} options={AIMS} onPick={setAim} />
        </div>
      )}
      {asked && !planned.fresh && <p role="status">{msg`Working out ${title}`}</p>}
      {asked && planned.fresh && !plan && (
        <p role="status">{msg`There is no path for ${title} in this loop.`}</p>
      )}
      {asked && plan && (
        <PumpPlanPanel
          title={title}
          plan={plan}
          onTake={() => {
            commit(msg`take ${WAY_WORDS[asked.way]}: ${asked.part.name}`, plan.edit);
            setAsked(null);
          }}
          onLeave={() => setAsked(null)}
        />
      )}
      <Progress
        share={progress}
        stopped={stopped}
        onStop={stop}
        onAgain={retry}
        what={msg`the pumps`}
      />
      {best && progress === null && (
        <p>
          {msg`Quietest that reaches it: ${best.part.name} at ${formatSpeed(best.speed_rpm)},
            ${formatNumber(best.noise_dBA, { decimals: 1 })} dBA alone.`}
        </p>
      )}
      <Table style={{ opacity: progress !== null && rows.length > 0 ? 0.6 : 1 }}>
        <TableHead>
          <TableRow>
            <TableCell>{msg`pump`}</TableCell>
            <TableCell className="num">{msg`speed`}</TableCell>
            <TableCell className="num">dBA</TableCell>
            <TableCell className="num">{msg`spare`}</TableCell>
            <TableCell className="num">{msg`warmer`}</TableCell>
            <TableCell> </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {shown.map((r) => {
            const pumpVerdict = () => {
              if (r.speed_rpm === null) return 'fails';
              if ((r.margin ?? 0) < 0.1) return 'marginal';
              return 'ok';
            };
            return (
              <TableRow key={`${r.part.id}-${r.way}`}>
                <TableCell>
                  <Mark verdict={pumpVerdict()} /> {r.part.name}
                  {inPlace.includes(r.part.id) ? (
                    <span className="soft"> {msg`in place`}</span>
                  ) : null}
                  <br />
                  <span className="soft">
                    {formatMoney(r.price_minor)} · {formatFlow(r.fullFlow_Lmin)}
                  </span>
                </TableCell>
                <TableCell className="num">
                  {r.speed_rpm === null ? msg`too weak` : formatNumber(r.speed_rpm)}
                </TableCell>
                <TableCell className="num">{formatNumber(r.noise_dBA, { decimals: 1 })}</TableCell>
                <TableCell className="num">
                  {r.margin === null ? '–' : `${formatNumber(100 * r.margin, { signed: true })} %`}
                </TableCell>
                <TableCell className="num">
                  {r.slowerCosts_K === null ? '–' : formatKelvin(r.slowerCosts_K)}
                </TableCell>
                <TableCell className="num">
                  <Press
                    className={styles.textButton}
                    onClick={() => setAsked({ part: r.part, way: r.way })}
                    aria-label={msg`Try ${r.part.name}, ${WAY_WORDS[r.way]}`}
                  >
                    {msg`try`}
                  </Press>
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      <p className="soft">
        {msg`Under the name: price, and the flow flat out. Speed in rpm: the slowest that moves
          the wanted flow. dBA: the pumps alone where you sit, at that speed. Spare: head left
          at the wanted flow, flat out. Warmer: by how much the part with the least room gets at
          that speed instead of flat out.`}
      </p>
    </Section>
  );
}
