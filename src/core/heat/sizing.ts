import type { FlowReport } from '../flow';
import type { LoadCaseId } from '../part';
import type { HeatSetup, RadiatorSetup } from './setup';
import { coreOf } from './setup';
import type { CaseReport } from './report';
import { noiseOf } from './solve';
import { prepareHeat, steadyRise } from './steady';

/** All loop fans at one speed, held inside each fan's range. */
export function atSpeed(setup: HeatSetup, speed_rpm: number): HeatSetup {
  const held = <F extends RadiatorSetup['fans'][number]>(f: F): F => ({ ...f, speed_rpm: Math.min(f.part.fullSpeed_rpm, Math.max(f.part.minSpeed_rpm, speed_rpm)) });
  return { ...setup, radiators: setup.radiators.map((r) => ({ ...r, fans: r.fans.map(held) })), bare: setup.bare.map((b) => ({ ...b, set: held(b.set) })) };
}

/** Warmest loop's rise over room, K; null when some loop has no steady state. */
export function worstRise(report: CaseReport): number | null {
  const rises = report.loops.map((l) => l.rise_K);
  return rises.length === 0 || rises.some((r) => r === null) ? null : Math.max(...(rises as number[]));
}

export interface Sizing {
  /** Radiator sections in the loops now. */
  readonly sections: number;
  /** Sections of the same kind needed at the present fan speed; null when no steady state exists, Infinity when no area would do. */
  readonly sectionsNeeded: number | null;
  /** Slowest speed of all fans that keeps the rise; null when full speed does not. */
  readonly quietestSpeed_rpm: number | null;
  readonly quietestNoise_dBA: number | null;
  /** Fastest speed that keeps the noise; null when even the slowest is too loud. */
  readonly loudestSpeed_rpm: number | null;
  readonly speedRange_rpm: readonly [number, number] | null;
}

/** Speeds that the radiators' fans have together, rpm. */
export function speedRange(setup: HeatSetup): readonly [number, number] | null {
  const fans = setup.radiators.flatMap((r) => r.fans);
  return fans.length === 0 ? null : [Math.min(...fans.map((f) => f.part.minSpeed_rpm)), Math.max(...fans.map((f) => f.part.fullSpeed_rpm))];
}

/** Answers the brief without the builder trying: how much area, how slow, how fast. */
export function sizeCooling(setup: HeatSetup, flow: FlowReport, load: LoadCaseId): Sizing {
  const { limits } = setup.model.build.brief;
  const sections = setup.radiators.reduce((s, r) => s + r.sections, 0);
  const prepared = prepareHeat(setup, flow);
  const riseWith = (conductanceFactor: number): number | null => steadyRise(prepared, load, { conductanceFactor });
  const range = speedRange(setup);
  const riseAt = (rpm: number): number | null => steadyRise(prepareHeat(atSpeed(setup, rpm), flow), load);
  let quietest: number | null = null, loudest: number | null = null;
  if (range) {
    const [slow, fast] = range;
    const holds = (rpm: number): boolean => (riseAt(rpm) ?? Infinity) <= limits.rise_K;
    quietest = bisect(slow, fast, holds, 'lowest');
    loudest = bisect(slow, fast, (rpm) => noiseOf(atSpeed(setup, rpm)) <= limits.noise_dBA, 'highest');
  }
  return {
    sections, sectionsNeeded: sections > 0 ? needed(sections, limits.rise_K, riseWith) : null,
    quietestSpeed_rpm: quietest, quietestNoise_dBA: quietest === null ? null : noiseOf(atSpeed(setup, quietest)),
    loudestSpeed_rpm: loudest, speedRange_rpm: range,
  };
}

/** Area factor at which the rise meets the limit, times the sections there are. Bisection in the logarithm to 0.4 %. */
function needed(sections: number, limit_K: number, riseWith: (factor: number) => number | null): number | null {
  if (riseWith(1) === null) return null;
  let low = 0.05, high = 20;
  if ((riseWith(high) as number) > limit_K) return Infinity;
  if ((riseWith(low) as number) <= limit_K) return sections * low;
  while (high / low > 1.004) {
    const mid = Math.sqrt(low * high);
    if ((riseWith(mid) as number) > limit_K) low = mid; else high = mid;
  }
  return sections * high;
}

/** Speed at which a condition that turns once over the range turns; to 8 rpm. */
function bisect(from: number, to: number, holds: (rpm: number) => boolean, wanted: 'lowest' | 'highest'): number | null {
  const good = wanted === 'lowest' ? to : from, other = wanted === 'lowest' ? from : to;
  if (!holds(good)) return null;
  if (holds(other)) return other;
  let a = other, b = good;
  while (Math.abs(a - b) > 8) {
    const mid = (a + b) / 2;
    if (holds(mid)) b = mid; else a = mid;
  }
  return b;
}

export interface CoolingCurve { readonly id: string; readonly label: string; readonly points: readonly { readonly speed_rpm: number; readonly noise_dBA: number; readonly rise_K: number }[] }

/** Coolant rise against noise for this build and for what one change would do, over the fans' speeds. */
export function coolingCurves(setup: HeatSetup, flow: FlowReport, load: LoadCaseId, steps = 24): readonly CoolingCurve[] {
  const range = speedRange(setup);
  if (!range || setup.radiators.length === 0) return [];
  const [slow, fast] = range;
  const curve = (id: string, label: string, s: HeatSetup): CoolingCurve => ({
    id, label,
    points: Array.from({ length: steps + 1 }, (_, i) => slow + ((fast - slow) * i) / steps).flatMap((speed_rpm) => {
      const at = atSpeed(s, speed_rpm);
      const rise_K = steadyRise(prepareHeat(at, flow), load);
      return rise_K === null ? [] : [{ speed_rpm, noise_dBA: noiseOf(at), rise_K }];
    }),
  });
  const largest = setup.radiators.reduce((a, b) => (b.sections > a.sections ? b : a));
  const change = (f: (r: RadiatorSetup) => RadiatorSetup): HeatSetup => ({ ...setup, radiators: setup.radiators.map(f) });
  const withSections = (by: number): HeatSetup => change((r) => (r.id !== largest.id ? r : {
    ...r, sections: r.sections + by, core: coreOf(r.part, r.sections + by), fans: r.fans.map((f) => ({ ...f, count: r.sections + by })),
  }));
  const list = [curve('now', 'this build', setup), curve('more', 'one section more', withSections(1))];
  if (largest.sections > 1) list.push(curve('less', 'one section less', withSections(-1)));
  list.push(curve('thicker', 'half as thick again', change((r) => ({ ...r, core: { ...r.core, depth_mm: r.core.depth_mm * 1.5 } }))));
  if (setup.radiators.some((r) => r.fans.length === 1)) {
    list.push(curve('push-pull', 'fans on both faces', change((r) => (r.fans.length === 1 ? { ...r, fans: [...r.fans, ...r.fans] } : r))));
  }
  return list;
}
