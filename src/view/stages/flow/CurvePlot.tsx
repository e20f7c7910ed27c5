'use client';
import { useRef } from 'react';
import { CartesianGrid, ComposedChart, Line, Scatter, XAxis, YAxis } from 'recharts';
import { lossDrop, type LossCurve } from '@/core/flow';
import { pchip, pchipAt } from '@/core/quantity';
import { useSize } from '@/view/shared/useWidth';
import styles from './CurveEditor.module.css';

type Points = readonly (readonly [number, number])[];
interface Props { readonly points: Points; /** What of them is used. */ readonly used: Points; readonly fit: LossCurve | null; readonly y: 'pressure' | 'head' }
const STEPS = 40;

/** Points as rings, and the curve through them that will be used. */
export function CurvePlot({ points, used, fit, y }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const most = Math.max(0, ...points.map((p) => p[0])) || 6;
  const spline = !fit && used.length >= 2 ? pchip(used) : null;
  const at = (q: number): number | null => (fit ? lossDrop(fit, q) : spline && q >= (used[0]?.[0] ?? 0) ? pchipAt(spline, q).value : null);
  const line = Array.from({ length: STEPS + 1 }, (_, i) => ({ q: (most * i) / STEPS, curve: at((most * i) / STEPS) }));
  const axis = { tickLine: false, tick: { fill: 'var(--soft)', fontSize: 12 } } as const;
  return (
    <div ref={frame} className={styles.plot} role="img" aria-label={`${points.length} points and the curve used`}>
      {width > 0 && (
        <>
          <ComposedChart width={width} height={height} data={line} margin={{ top: 20, right: 14, bottom: 4, left: 0 }} accessibilityLayer={false}>
            <CartesianGrid vertical={false} stroke="var(--hairline)" />
            <XAxis type="number" dataKey="q" domain={[0, 'auto']} tickCount={6} height={26} axisLine={{ stroke: 'var(--hairline)' }} {...axis} />
            <YAxis type="number" domain={[0, 'auto']} width={36} axisLine={false} {...axis} />
            <Line dataKey="curve" stroke="var(--holds)" strokeWidth={2.2} dot={false} isAnimationActive={false} activeDot={false} />
            <Scatter data={points.map(([q, p]) => ({ q, p }))} dataKey="p" fill="var(--paper)" stroke="var(--copper)" strokeWidth={2} isAnimationActive={false} />
          </ComposedChart>
          <span className={styles.axisY}>{y === 'head' ? 'head, m' : 'pressure drop, kPa'}</span>
          <span className={styles.axisX}>flow, L/min</span>
        </>
      )}
    </div>
  );
}
