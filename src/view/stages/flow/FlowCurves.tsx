'use client';
import { memo } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { tickShown, ticksShown } from '@/core/units';
import { BOTTOM, LEFT, RIGHT, TOP, type FlowRow, type SpeedRow } from './flowSheet';

/** How every axis and curve here looks. */
const AXIS = {
  type: 'number',
  tickLine: false,
  tick: { fill: 'var(--soft)', fontSize: 12.5 },
} as const;
const LINE = { dot: false, isAnimationActive: false, activeDot: false } as const;

/** The curves alone: drawn anew only when they are others. */
export const OperatingCurves = memo(function OperatingCurves({
  data,
  width,
  height,
  most,
  top,
  target,
}: {
  readonly data: readonly FlowRow[];
  readonly width: number;
  readonly height: number;
  readonly most: number;
  readonly top: number;
  readonly target: number;
}) {
  return (
    <LineChart
      width={width}
      height={height}
      data={[...data]}
      margin={{ top: TOP, right: RIGHT, bottom: BOTTOM - 30, left: LEFT - 34 }}
      accessibilityLayer={false}
    >
      <CartesianGrid vertical={false} stroke="var(--hairline)" />
      <XAxis
        dataKey="flow"
        domain={[0, most]}
        ticks={ticksShown(0, most, most > 14 ? 2 : 1, 'L/min')}
        tickFormatter={(v: number) => tickShown(v, 'L/min')}
        height={30}
        {...AXIS}
        axisLine={{ stroke: 'var(--hairline)' }}
      />
      <YAxis
        domain={[0, top]}
        ticks={ticksShown(0, top, top > 60 ? 20 : 10, 'kPa')}
        tickFormatter={(v: number) => tickShown(v, 'kPa')}
        allowDataOverflow
        width={34}
        {...AXIS}
        axisLine={false}
      />
      <ReferenceLine x={target} stroke="var(--copper)" strokeDasharray="3 3" />
      <Line dataKey="full" stroke="var(--soft)" strokeDasharray="5 4" strokeWidth={1.2} {...LINE} />
      <Line dataKey="pump" stroke="var(--ink)" strokeWidth={2.4} {...LINE} />
      <Line dataKey="loop" stroke="var(--ok)" strokeWidth={2.4} {...LINE} />
    </LineChart>
  );
});

/** The largest flow over the speed of all pumps; `now` in % of full. */
export const SpeedCurve = memo(function SpeedCurve({
  data,
  width,
  height,
  most,
  target,
  now,
}: {
  readonly data: readonly SpeedRow[];
  readonly width: number;
  readonly height: number;
  readonly most: number;
  readonly target: number;
  readonly now: number | null;
}) {
  return (
    <LineChart
      width={width}
      height={height}
      data={[...data]}
      margin={{ top: TOP, right: 30, bottom: BOTTOM - 30, left: LEFT - 34 }}
      accessibilityLayer={false}
    >
      <CartesianGrid vertical={false} stroke="var(--hairline)" />
      <XAxis
        dataKey="share"
        domain={[0, 100]}
        height={30}
        {...AXIS}
        axisLine={{ stroke: 'var(--hairline)' }}
      />
      <YAxis
        domain={[0, most]}
        ticks={ticksShown(0, most, most > 14 ? 2 : 1, 'L/min')}
        tickFormatter={(v: number) => tickShown(v, 'L/min')}
        width={34}
        {...AXIS}
        axisLine={false}
      />
      <ReferenceLine y={target} stroke="var(--copper)" strokeDasharray="3 3" />
      {now !== null && <ReferenceLine x={now} stroke="var(--copper)" />}
      <Line dataKey="flow" stroke="var(--ok)" strokeWidth={2.4} {...LINE} />
    </LineChart>
  );
});
