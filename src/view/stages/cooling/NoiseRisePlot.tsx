'use client';
import { memo } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceArea, XAxis, YAxis } from 'recharts';
import type { CoolingCurve } from '@/core/thermal';
import { tickShown, ticksShown } from '@/core/units';
import { BOTTOM, LEFT, RIGHT, strokeOf, TOP, type Point, type Sheet } from './noiseRiseSheet';

interface Props extends Sheet {
  readonly curves: readonly CoolingCurve[];
  readonly stale: boolean;
  readonly width: number;
  readonly height: number;
}

/**
 * Curves and corner alone: they do not change while the handle moves, so they are not drawn again.
 */
export const NoiseRisePlot = memo(function NoiseRisePlot({
  curves,
  stale,
  width,
  height,
  x0,
  x1,
  y0,
  y1,
  deltaT_K,
  noise_dBA,
}: Props) {
  return (
    <LineChart
      width={width}
      height={height}
      margin={{ top: TOP, right: RIGHT, bottom: BOTTOM - 30, left: LEFT - 30 }}
      accessibilityLayer={false}
      data-stale={stale || undefined}
    >
      <defs>
        <pattern id="brief-corner" width="6" height="6" patternUnits="userSpaceOnUse">
          <path d="M0 6L6 0" stroke="var(--copper)" strokeOpacity="0.35" strokeWidth="1" />
        </pattern>
      </defs>
      <CartesianGrid vertical={false} stroke="var(--hairline)" />
      <XAxis
        type="number"
        dataKey={(p: Point) => p.noise_dBA}
        domain={[x0, x1]}
        ticks={steps(x0, x1, 2)}
        allowDataOverflow
        height={30}
        stroke="var(--soft)"
        tickLine={false}
        axisLine={{ stroke: 'var(--hairline)' }}
        tick={{ fill: 'var(--soft)', fontSize: 12.5 }}
      />
      <YAxis
        type="number"
        domain={[y0, y1]}
        ticks={ticksShown(y0, y1, 4, 'K')}
        tickFormatter={(v: number) => tickShown(v, 'K')}
        allowDataOverflow
        width={30}
        tickLine={false}
        axisLine={false}
        tick={{ fill: 'var(--soft)', fontSize: 12.5 }}
      />
      <ReferenceArea
        x1={x0}
        x2={noise_dBA}
        y1={y0}
        y2={deltaT_K}
        fill="url(#brief-corner)"
        stroke="var(--copper)"
        strokeOpacity={0.7}
        ifOverflow="hidden"
      />
      {curves.map((c) => (
        <Line
          key={c.id}
          data={c.points as Point[]}
          dataKey={(p: Point) => p.deltaT_K}
          {...strokeOf(c.id)}
          dot={false}
          isAnimationActive={false}
          activeDot={false}
        />
      ))}
    </LineChart>
  );
});

const steps = (from: number, to: number, by: number): number[] =>
  Array.from({ length: Math.floor((to - from) / by) + 1 }, (_, i) => from + i * by);
