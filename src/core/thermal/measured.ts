import type { FluidProperties } from '../fluids';
import { water } from '../fluids';
import type { MeasuredRadiator } from '../components';
import { radiatorConductance, type InstallationFactors } from './radiator';
import type { RadiatorSetup } from './thermalModel';
import { radiatorWind } from './caseAir';

/** Where a radiator's figure comes from. */
export type RadiatorBasis = 'model' | 'measured' | 'measured, extended by the model';

export interface MeasuredRatio {
  readonly ratio: number;
  readonly basis: RadiatorBasis;
}

/** Flows this near count as one series of points. */
const SAME_FLOW = 0.03;
/** Beyond the points by more than this, the model carries on. */
const INSIDE = 0.02;
/** Coolant of a bench: water at this temperature, °C. */
const BENCH_WATER_C = 30;

interface Series {
  readonly flow_Lmin: number;
  readonly points: { readonly x: number; readonly ratio: number }[];
}

/**
 * What measured points make of the model: measured over modelled at each point, between the points
 * interpolated in the logarithms of air (or speed) and flow, beyond them held. So the points are
 * met exactly, and the model only fills the gaps. `x` is air through the core, m³/h, or fan speed,
 * rpm, as the points are taken.
 */
export function measuredRatio(
  radiator: RadiatorSetup,
  measured: MeasuredRadiator,
  air: FluidProperties,
  factors: InstallationFactors,
): (x: number, coolant_Lmin: number) => MeasuredRatio {
  const modelled = (x: number, flow: number): number =>
    radiatorConductance(radiator.core, {
      airFlow_m3h:
        measured.against === 'air'
          ? x / factors.airFlow
          : radiatorWind(atFanSpeed(radiator, x), air).flow_m3h,
      coolantFlow_Lmin: flow,
      air,
      coolant: water(BENCH_WATER_C),
      factors,
    }).conductance_WK;
  const series: Series[] = [];
  for (const [x, flow, k] of measured.points) {
    const model = modelled(x, flow);
    if (!(model > 0)) continue;
    const known = series.find((s) => Math.abs(s.flow_Lmin / flow - 1) < SAME_FLOW);
    const point = { x, ratio: k / model };
    if (known) known.points.push(point);
    else series.push({ flow_Lmin: flow, points: [point] });
  }
  series.sort((a, b) => a.flow_Lmin - b.flow_Lmin);
  for (const s of series) s.points.sort((a, b) => a.x - b.x);
  if (series.length === 0) return () => ({ ratio: 1, basis: 'model' });
  const xs = measured.points.map((p) => p[0]),
    flows = measured.points.map((p) => p[1]);
  const within = (v: number, all: readonly number[]): boolean =>
    v >= Math.min(...all) * (1 - INSIDE) && v <= Math.max(...all) * (1 + INSIDE);
  return (x, flow) => ({
    ratio: between(
      series,
      flow,
      (s) => s.flow_Lmin,
      (s) =>
        between(
          s.points,
          x,
          (p) => p.x,
          (p) => p.ratio,
        ),
    ),
    basis:
      within(x, xs) && (series.length === 1 || within(flow, flows))
        ? 'measured'
        : 'measured, extended by the model',
  });
}

/**
 * Linear in the logarithm of the position, held beyond the ends. `list` rises in position and is
 * not empty.
 */
function between<T>(
  list: readonly T[],
  at: number,
  position: (t: T) => number,
  value: (t: T) => number,
): number {
  const upper = list.findIndex((t) => position(t) >= at);
  if (upper === 0) return value(list[0] as T);
  if (upper < 0) return value(list[list.length - 1] as T);
  const a = list[upper - 1] as T,
    b = list[upper] as T;
  const low = Math.log(Math.max(1e-6, position(a))),
    high = Math.log(Math.max(1e-6, position(b)));
  const t = high > low ? (Math.log(Math.max(1e-6, at)) - low) / (high - low) : 0;
  return value(a) + t * (value(b) - value(a));
}

/** The same radiator with its fans at a speed, held inside each fan's range. */
export function atFanSpeed(radiator: RadiatorSetup, speed_rpm: number): RadiatorSetup {
  return {
    ...radiator,
    fans: radiator.fans.map((f) => ({
      ...f,
      speed_rpm: Math.min(f.part.fullSpeed_rpm, Math.max(0, speed_rpm)),
    })),
  };
}
