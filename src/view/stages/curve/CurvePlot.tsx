'use client';
import { unitShown, valueShown } from '@/core/units';
import { useRef } from 'react';
import { CartesianGrid, ComposedChart, Line, Scatter, XAxis, YAxis } from 'recharts';
import { useSize } from '@/view/shared/useWidth';
import { msg } from '@/core/messages';
import styles from './CurveEditor.module.css';

export interface Axis {
  readonly word: string;
  readonly unit: string;
}
interface Props {
  readonly points: readonly (readonly [number, number])[];
  /** The curve that will be used. */
  readonly at: ((x: number) => number | null) | null;
  /** What each axis is, and the fixed unit its numbers come in. */
  readonly x: Axis;
  readonly y: Axis;
}
const STEPS = 40;

/** Points as rings, and the curve through them that will be used. */
export function CurvePlot({ points, at, x, y }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const most = Math.max(0, ...points.map((p) => p[0])) || 6;
  const line = Array.from({ length: STEPS + 1 }, (_, i) => ({
    x: valueShown((most * i) / STEPS, x.unit),
    curve: shownAt(at?.((most * i) / STEPS) ?? null, y.unit),
  }));
  const axis = { tickLine: false, tick: { fill: 'var(--soft)', fontSize: 12 } } as const;
  return (
    <div
      ref={frame}
      className={styles.plot}
      role="img"
      aria-label={msg`${points.length} points and the curve used`}
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
              data={points.map(([a, b]) => ({
                x: valueShown(a, x.unit),
                y: valueShown(b, y.unit),
              }))}
              dataKey="y"
              fill="var(--paper)"
              stroke="var(--copper)"
              strokeWidth={2}
              isAnimationActive={false}
            />
          </ComposedChart>
          <span className={styles.axisY}>{`${y.word}, ${unitShown(y.unit)}`}</span>
          <span className={styles.axisX}>{`${x.word}, ${unitShown(x.unit)}`}</span>
        </>
      )}
    </div>
  );
}

const shownAt = (value: number | null, unit: string): number | null =>
  value === null ? null : valueShown(value, unit);
