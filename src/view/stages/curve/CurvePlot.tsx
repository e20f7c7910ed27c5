'use client';
import { useRef } from 'react';
import { CartesianGrid, ComposedChart, Line, Scatter, XAxis, YAxis } from 'recharts';
import { useSize } from '@/view/shared/useWidth';
import styles from './CurveEditor.module.css';

interface Props {
  readonly points: readonly (readonly [number, number])[];
  /** The curve that will be used. */
  readonly at: ((x: number) => number | null) | null;
  readonly xAxis: string;
  readonly yAxis: string;
}
const STEPS = 40;

/** Points as rings, and the curve through them that will be used. */
export function CurvePlot({ points, at, xAxis, yAxis }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const most = Math.max(0, ...points.map((p) => p[0])) || 6;
  const line = Array.from({ length: STEPS + 1 }, (_, i) => ({
    x: (most * i) / STEPS,
    curve: at?.((most * i) / STEPS) ?? null,
  }));
  const axis = { tickLine: false, tick: { fill: 'var(--soft)', fontSize: 12 } } as const;
  return (
    <div
      ref={frame}
      className={styles.plot}
      role="img"
      aria-label={`${points.length} points and the curve used`}
    >
      {width > 0 && (
        <>
          <ComposedChart
            width={width}
            height={height}
            data={line}
            margin={{ top: 20, right: 14, bottom: 4, left: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid vertical={false} stroke="var(--hairline)" />
            <XAxis
              type="number"
              dataKey="x"
              domain={[0, 'auto']}
              tickCount={6}
              height={26}
              axisLine={{ stroke: 'var(--hairline)' }}
              {...axis}
            />
            <YAxis type="number" domain={[0, 'auto']} width={40} axisLine={false} {...axis} />
            <Line
              dataKey="curve"
              stroke="var(--ok)"
              strokeWidth={2.2}
              dot={false}
              isAnimationActive={false}
              activeDot={false}
            />
            <Scatter
              data={points.map(([x, y]) => ({ x, y }))}
              dataKey="y"
              fill="var(--paper)"
              stroke="var(--copper)"
              strokeWidth={2}
              isAnimationActive={false}
            />
          </ComposedChart>
          <span className={styles.axisY}>{yAxis}</span>
          <span className={styles.axisX}>{xAxis}</span>
        </>
      )}
    </div>
  );
}
