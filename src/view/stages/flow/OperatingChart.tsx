'use client';
import { useMemo, useRef } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceDot, ReferenceLine, XAxis, YAxis } from 'recharts';
import { loopCurve, pumpsCurve, type LoopFlow } from '@/core/flow';
import type { LoopGraph, Model } from '@/core/model';
import { formatFlow, formatNumber } from '@/core/quantity';
import type { Run } from '@/core/run';
import { useSize } from '@/view/shared/useWidth';
import styles from './FlowStage.module.css';

interface Props { readonly model: Model; readonly graph: LoopGraph; readonly runs: readonly Run[]; readonly state: LoopFlow; readonly target: number }
const LEFT = 38, RIGHT = 110, TOP = 22, BOTTOM = 34;

/** Pump curve against loop curve; where they meet is what flows. */
export function OperatingChart({ model, graph, runs, state, target }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const data = useMemo(() => {
    const most = Math.max(6, Math.ceil((Math.max(state.flow_Lmin, target) * 1.7) / 2) * 2);
    const flows = Array.from({ length: 49 }, (_, i) => (most * i) / 48);
    const loop = loopCurve(model, graph, runs, state.coolant_C, flows), pump = pumpsCurve(graph, state.coolant_C, flows), full = pumpsCurve(graph, state.coolant_C, flows, 1);
    return { most, rows: flows.map((flow, i) => ({ flow, loop: loop[i]?.pressure_kPa ?? null, pump: positive(pump[i]?.pressure_kPa), full: positive(full[i]?.pressure_kPa) })) };
  }, [model, graph, runs, state.coolant_C, state.flow_Lmin, target]);
  const top = Math.ceil((Math.max(...data.rows.map((r) => r.full ?? 0), state.head_kPa) * 1.08) / 10) * 10 || 10;
  const X = (v: number): number => LEFT + (v / data.most) * (width - LEFT - RIGHT), Y = (v: number): number => TOP + (1 - Math.min(1.02, v / top)) * (height - TOP - BOTTOM);
  const ticks = (to: number, by: number): number[] => Array.from({ length: Math.floor(to / by) + 1 }, (_, i) => i * by);
  const end = data.rows[data.rows.length - 1];
  const loopEnd = [...data.rows].reverse().find((r) => (r.loop ?? Infinity) <= top);
  return (
    <div ref={frame} className={styles.chart} role="img" aria-label={`Pump curve meets loop curve at ${formatFlow(state.flow_Lmin)} and ${formatNumber(state.head_kPa, { decimals: 1 })} kPa`}>
      {width > 0 && (
        <>
          <LineChart width={width} height={height} data={data.rows} margin={{ top: TOP, right: RIGHT, bottom: BOTTOM - 30, left: LEFT - 34 }} accessibilityLayer={false}>
            <CartesianGrid vertical={false} stroke="var(--hairline)" />
            <XAxis type="number" dataKey="flow" domain={[0, data.most]} ticks={ticks(data.most, data.most > 14 ? 2 : 1)} height={30} tickLine={false} axisLine={{ stroke: 'var(--hairline)' }} tick={{ fill: 'var(--soft)', fontSize: 12.5 }} />
            <YAxis type="number" domain={[0, top]} ticks={ticks(top, top > 60 ? 20 : 10)} allowDataOverflow width={34} tickLine={false} axisLine={false} tick={{ fill: 'var(--soft)', fontSize: 12.5 }} />
            <ReferenceLine x={target} stroke="var(--copper)" strokeDasharray="3 3" />
            <Line dataKey="full" stroke="var(--soft)" strokeDasharray="5 4" strokeWidth={1.2} dot={false} isAnimationActive={false} activeDot={false} />
            <Line dataKey="pump" stroke="var(--ink)" strokeWidth={2.4} dot={false} isAnimationActive={false} activeDot={false} />
            <Line dataKey="loop" stroke="var(--holds)" strokeWidth={2.4} dot={false} isAnimationActive={false} activeDot={false} />
            {state.status === 'solved' && <ReferenceDot x={state.flow_Lmin} y={state.head_kPa} r={7} fill="var(--paper)" stroke="var(--copper)" strokeWidth={2.5} />}
          </LineChart>
          <span className={styles.axisY}>pressure, kPa</span>
          <span className={styles.axisX} style={{ right: RIGHT }}>flow, L/min</span>
          <span className={styles.curve} style={{ left: width - RIGHT + 6, top: Y(end?.pump ?? 0) - 9 }}>pump at this speed</span>
          {Math.abs(Y(end?.full ?? 0) - Y(end?.pump ?? 0)) > 16 && <span className={styles.curve} style={{ left: width - RIGHT + 6, top: Y(end?.full ?? 0) - 9 }}>pump at full speed</span>}
          {loopEnd && <span className={styles.curve} style={{ left: Math.min(width - RIGHT + 6, X(loopEnd.flow) + 6), top: Math.max(2, Y(loopEnd.loop ?? 0) - 18), color: 'var(--holds)' }}>what the loop takes</span>}
          <span className={styles.target} style={{ left: X(target) + 4, top: height - BOTTOM - 20 }}>wanted, {formatFlow(target)}</span>
          {state.status === 'solved' && <span className={styles.point} style={{ left: X(state.flow_Lmin) + 12, top: Y(state.head_kPa) - 26 }}>{formatFlow(state.flow_Lmin)}, {formatNumber(state.head_kPa, { decimals: 1 })} kPa</span>}
        </>
      )}
    </div>
  );
}

const positive = (v: number | undefined): number | null => (v === undefined || v < 0 ? null : v);
