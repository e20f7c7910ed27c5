'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { CAUTIONS } from '@/core/assembly';
import { airPockets, daysToClear, fillPlan, fillTrouble, KEEP_SHARE } from '@/core/filling';
import { draining } from '@/core/loops';
import { reservoirsOf } from '@/core/bom';
import { componentName, type Loop } from '@/core/design';
import { formatMeasure, formatNumber, formatShown, unitShown } from '@/core/units';
import { useEditor } from '@/view/workspace';
import { counted, msg, noted } from '@/core/messages';
import styles from './AssemblyStage.module.css';

/** Pours and pulses of every loop, the pockets of air, and what draining leaves. */
export function FillView() {
  const design = useEditor((s) => s.design);
  const loops = design.loops.filter((l) => l.connections.length > 0);
  if (loops.length === 0) return <p>{msg`No loop is connected yet: there is nothing to fill.`}</p>;
  return (
    <div className={styles.test}>
      <p className={styles.caution}>
        <strong>{CAUTIONS.coolant.title}.</strong> {CAUTIONS.coolant.text}
      </p>
      <p className={styles.caution}>
        <strong>{CAUTIONS.mains.title}.</strong> {CAUTIONS.mains.text}
      </p>
      {loops.map((loop) => (
        <LoopFill key={loop.id} loop={loop} />
      ))}
    </div>
  );
}

function LoopFill({ loop }: { readonly loop: Loop }) {
  const design = useEditor((s) => s.design);
  const { system, reports } = useEditor((s) => s.analysis);
  const reservoirs = reservoirsOf(design, loop);
  const volume = reports.bom.volumes.find((v) => v.loop === loop.id);
  const flow = reports.flow.loops.find((l) => l.id === loop.id);
  const pockets = airPockets(system, loop);
  const trapped_mL = pockets.reduce((s, p) => s + p.air_mL, 0);
  const mark_mL = reservoirs.reduce((s, r) => s + r.fill_mL, 0);
  const filled = {
    reservoir_mL: reservoirs.reduce((s, r) => s + r.volume_mL, 0),
    mark_mL,
    rest_mL: Math.max(0, (volume?.total_mL ?? 0) - mark_mL),
    trapped_mL,
    flow_Lmin: flow?.flow_Lmin ?? 0,
  };
  const trouble = fillTrouble(filled);
  const plan = fillPlan(filled);
  const drain = draining(system, loop);
  const [soonest, latest] = daysToClear(pockets);
  return (
    <section>
      <h2>{loop.name}</h2>
      {trouble !== null ? (
        <p role="alert">{trouble}</p>
      ) : (
        <>
          <p>
            {msg`${formatMeasure(plan.poured_mL, 'mL')} in
              ${counted(plan.pulses.length, '# pulse', '# pulses')}, and
              ${formatMeasure(plan.topUp_mL, 'mL')} more as the air comes out (estimated; times
              at the flow of the full loop). The pump never empties the reservoir below
              ${formatNumber(100 * KEEP_SHARE)} %.`}
          </p>
          <Table>
            <TableHead>
              <TableRow>
                <TableCell>{msg`pulse`}</TableCell>
                <TableCell className="num">{msg`pour, ${unitShown('mL')}`}</TableCell>
                <TableCell className="num">{msg`pump on, s`}</TableCell>
                <TableCell className="num">{msg`left in the reservoir`}</TableCell>
                <TableCell className="num">{msg`in the loop`}</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {plan.pulses.map((p, i) => (
                <TableRow key={i}>
                  <TableCell>{i + 1}</TableCell>
                  <TableCell className="num">{formatShown(p.pour_mL, 'mL')}</TableCell>
                  <TableCell className="num">{formatNumber(p.run_s, { decimals: 1 })}</TableCell>
                  <TableCell className="num">{formatMeasure(p.left_mL, 'mL')}</TableCell>
                  <TableCell className="num">{formatMeasure(p.filled_mL, 'mL')}</TableCell>
                </TableRow>
              ))}
              <TableRow>
                <TableCell>{msg`to the mark`}</TableCell>
                <TableCell className="num">
                  {formatShown(
                    filled.mark_mL - (plan.pulses[plan.pulses.length - 1]?.left_mL ?? 0),
                    'mL',
                  )}
                </TableCell>
                <TableCell colSpan={3}>
                  {msg`cold, with the pump off: ${formatMeasure(filled.mark_mL, 'mL')} in the
                    reservoir`}
                </TableCell>
              </TableRow>
            </TableBody>
          </Table>
        </>
      )}
      <h3>{msg`Air that stays`}</h3>
      {pockets.length === 0 ? (
        <p>{msg`No part keeps a pocket of air: every highest place has a port.`}</p>
      ) : (
        <ul className={styles.how}>
          {pockets.map((p) => (
            <li key={p.component}>
              {msg`${p.name}: about ${formatMeasure(p.air_mL, 'mL')}. ${
                p.lift === null
                  ? msg`Turn the case over slowly, pump on, until it gurgles no more.`
                  : msg`Lift the ${p.lift} of the case, pump on, a minute.`
              }`}
            </li>
          ))}
        </ul>
      )}
      <p className="soft">
        {msg`The last bubbles take ${soonest} to ${latest} days. An estimate: the coolant of
          each part is spread evenly over its height.`}
      </p>
      <h3>{msg`Draining`}</h3>
      <p>
        {drain.drain === null
          ? msg`There is no drain valve: the loop is emptied by taking a tube off over a bowl.`
          : msg`By ${componentName(design, drain.drain.component)}, with the fill cap off: about
              ${formatMeasure(Math.max(0, (volume?.total_mL ?? 0) - drain.stays_mL), 'mL')} run out,
              ${noted(
                msg`${formatMeasure(drain.stays_mL, 'mL')} stay`,
                drain.stays.length > 0 &&
                  msg`most in ${drain.stays
                    .slice(0, 3)
                    .map((p) => componentName(design, p.component))
                    .join(', ')}`,
              )}.`}
      </p>
    </section>
  );
}
