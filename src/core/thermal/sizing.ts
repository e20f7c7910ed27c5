import type { FlowReport } from '../hydraulics';
import type { LoadCaseId } from '../components';
import { falsePosition, type RootTolerance } from '../units';
import { msg } from '../messages';
import type { ThermalModel, RadiatorSetup } from './thermalModel';
import { coreOf } from './thermalModel';
import { noiseOf } from './noise';
import { prepareHeat, steadyRise, steadyState, withArea, type Prepared } from './steady';

/** All loop fans at one speed, held inside each fan's range. */
export function atSpeed(thermalModel: ThermalModel, speed_rpm: number): ThermalModel {
  const held = <F extends RadiatorSetup['fans'][number]>(f: F): F => ({
    ...f,
    speed_rpm: Math.min(f.part.fullSpeed_rpm, Math.max(f.part.minSpeed_rpm, speed_rpm)),
  });
  return {
    ...thermalModel,
    radiators: thermalModel.radiators.map((r) => ({ ...r, fans: r.fans.map(held) })),
    caseFans: thermalModel.caseFans.map((b) => ({ ...b, set: held(b.set) })),
  };
}

export interface Sizing {
  /** Radiator sections in the loops now. */
  readonly sections: number;
  /**
   * Sections of the same kind needed at the present fan speed, with their fans and the air they
   * bring; null when no steady state exists, Infinity when no area would do.
   */
  readonly sectionsNeeded: number | null;
  /** Slowest speed of all fans that keeps the rise; null when full speed does not. */
  readonly quietestSpeed_rpm: number | null;
  readonly quietestNoise_dBA: number | null;
  /** Fastest speed that keeps the noise; null when even the slowest is too loud. */
  readonly loudestSpeed_rpm: number | null;
  readonly speedRange_rpm: readonly [number, number] | null;
  /**
   * Heat the loops would carry at the brief's rise and noise, parts alike scaled; null when no
   * speed is quiet enough or nothing heats.
   */
  readonly carries: {
    readonly heat_W: number;
    readonly ofNow: number;
    readonly speed_rpm: number;
  } | null;
}

/** Speeds that the radiators' fans have together, rpm. */
export function speedRange(thermalModel: ThermalModel): readonly [number, number] | null {
  const fans = thermalModel.radiators.flatMap((r) => r.fans);
  return fans.length === 0
    ? null
    : [
        Math.min(...fans.map((f) => f.part.minSpeed_rpm)),
        Math.max(...fans.map((f) => f.part.fullSpeed_rpm)),
      ];
}

/** Answers the brief without the builder trying: how much area, how slow, how fast. */
export function sizeCooling(prepared: Prepared, load: LoadCaseId): Sizing {
  const { thermalModel, flow } = prepared;
  const { limits } = thermalModel.system.design.brief;
  const sections = thermalModel.radiators.reduce((s, r) => s + r.sections, 0);
  const riseWith = (factor: number): number | null => steadyRise(withArea(prepared, factor), load);
  const range = speedRange(thermalModel);
  const riseAt = (rpm: number): number | null =>
    steadyRise(prepareHeat(atSpeed(thermalModel, rpm), flow), load);
  let quietest: number | null = null,
    loudest: number | null = null;
  if (range) {
    const [slow, fast] = range;
    quietest = speedWhere(slow, fast, (rpm) => (riseAt(rpm) ?? NO_RISE_K) - limits.deltaT_K, {
      x: 1,
      y: 0.004,
    });
    const tooLoud = (rpm: number): number => noiseOf(atSpeed(thermalModel, rpm)) - limits.noise_dBA;
    loudest = tooLoud(fast) <= 0 ? fast : speedWhere(fast, slow, tooLoud, { x: 1, y: 0.01 });
  }
  return {
    sections,
    sectionsNeeded: sections > 0 ? needed(sections, limits.deltaT_K, riseWith) : null,
    quietestSpeed_rpm: quietest,
    quietestNoise_dBA: quietest === null ? null : noiseOf(atSpeed(thermalModel, quietest)),
    loudestSpeed_rpm: loudest,
    speedRange_rpm: range,
    carries:
      loudest === null
        ? null
        : carries(prepareHeat(atSpeed(thermalModel, loudest), flow), load, loudest),
  };
}

/**
 * How far the parts' heat could grow until the warmest loop reaches the brief's rise. Every rise is
 * a straight line in the parts' heat, the warmest of them a kinked one, so two secant steps from
 * today's heat find it.
 */
function carries(prepared: Prepared, load: LoadCaseId, speed_rpm: number): Sizing['carries'] {
  const limit = prepared.thermalModel.system.design.brief.limits.deltaT_K;
  const riseOf = (loadFactor: number): number | null => steadyRise(prepared, load, { loadFactor });
  const { parts } = steadyState(prepared, load);
  const inLoops = parts.reduce((s, p) => s + (p.to === 'loop' ? p.heat_W : 0), 0);
  const idle = riseOf(0);
  if (idle === null || inLoops <= 0) return null;
  let factor = 1;
  for (let i = 0; i < 3; i += 1) {
    const rise = riseOf(factor);
    if (rise === null || rise <= idle) return null;
    factor *= (limit - idle) / (rise - idle);
    if (factor <= 0) return { heat_W: 0, ofNow: 0, speed_rpm };
  }
  return { heat_W: factor * inLoops, ofNow: factor, speed_rpm };
}

/** Largest and smallest area factor looked at, and the step of the search upwards. */
const MOST_AREA = 20,
  LEAST_AREA = 0.05,
  AREA_STEP = 1.25;

/**
 * Area factor at which the rise meets the limit, times the sections there are, to 0.2 %. More area
 * does not always cool more (intake radiators warm what exhaust radiators breathe), so the search
 * goes step by step from the present area: up to the first factor that holds, Infinity when none up
 * to 20 times does; down, where the present one holds, to the first that does not.
 */
function needed(
  sections: number,
  limit_K: number,
  riseWith: (factor: number) => number | null,
): number | null {
  const now = riseWith(1);
  if (now === null) return null;
  const excessAt = (factor: number): number => (riseWith(factor) ?? NO_RISE_K) - limit_K;
  const root = (low: number, high: number, atLow: number, atHigh: number): number =>
    sections *
    Math.exp(
      falsePosition(
        (logFactor) => excessAt(Math.exp(logFactor)),
        Math.log(low),
        Math.log(high),
        { x: 0.002, y: 0.004 },
        atLow,
        atHigh,
      ),
    );
  if (now <= limit_K) {
    for (let high = 1, atHigh = now - limit_K; high > LEAST_AREA;) {
      const low = Math.max(LEAST_AREA, high / AREA_STEP),
        atLow = excessAt(low);
      if (atLow > 0) return root(low, high, atLow, atHigh);
      [high, atHigh] = [low, atLow];
    }
    return sections * LEAST_AREA;
  }
  for (let low = 1, atLow = now - limit_K; low < MOST_AREA;) {
    const high = low * AREA_STEP,
      atHigh = excessAt(high);
    if (atHigh <= 0) return root(low, high, atLow, atHigh);
    [low, atLow] = [high, atHigh];
  }
  return Infinity;
}

/** Stands for "no steady state" where a number is wanted, K. */
const NO_RISE_K = 1e4;

/**
 * Speed nearest to `eager` at which an excess is gone: `eager` itself when it holds there, null
 * when it does not hold at the other end either.
 */
export function speedWhere(
  eager: number,
  other: number,
  excess: (rpm: number) => number,
  tolerance: RootTolerance,
): number | null {
  const atOther = excess(other);
  if (atOther > 0) return null;
  const atEager = excess(eager);
  return atEager <= 0 ? eager : falsePosition(excess, eager, other, tolerance, atEager, atOther);
}

export interface CoolingCurve {
  readonly id: string;
  readonly label: string;
  readonly points: readonly {
    readonly speed_rpm: number;
    readonly noise_dBA: number;
    readonly deltaT_K: number;
  }[];
}

/**
 * Coolant rise against noise for this build and for what one change would do, over the fans'
 * speeds.
 */
export function coolingCurves(
  thermalModel: ThermalModel,
  flow: FlowReport,
  load: LoadCaseId,
  steps = 24,
): readonly CoolingCurve[] {
  const range = speedRange(thermalModel);
  if (!range || thermalModel.radiators.length === 0) return [];
  const [slow, fast] = range;
  const curve = (id: string, label: string, s: ThermalModel): CoolingCurve => ({
    id,
    label,
    points: Array.from({ length: steps + 1 }, (_, i) => slow + ((fast - slow) * i) / steps).flatMap(
      (speed_rpm) => {
        const at = atSpeed(s, speed_rpm);
        const deltaT_K = steadyRise(prepareHeat(at, flow), load);
        return deltaT_K === null ? [] : [{ speed_rpm, noise_dBA: noiseOf(at), deltaT_K }];
      },
    ),
  });
  const largest = thermalModel.radiators.reduce((a, b) => (b.sections > a.sections ? b : a));
  const change = (f: (r: RadiatorSetup) => RadiatorSetup): ThermalModel => ({
    ...thermalModel,
    radiators: thermalModel.radiators.map(f),
  });
  const withSections = (by: number): ThermalModel =>
    change((r) =>
      r.id !== largest.id
        ? r
        : {
            ...r,
            sections: r.sections + by,
            core: coreOf(r.part, r.sections + by),
            fans: r.fans.map((f) => ({ ...f, count: r.sections + by })),
          },
    );
  const list = [
    curve('now', msg`this build`, thermalModel),
    curve('more', msg`one section more`, withSections(1)),
  ];
  if (largest.sections > 1) list.push(curve('less', msg`one section less`, withSections(-1)));
  list.push(
    curve(
      'thicker',
      msg`1.5 × thickness`,
      change((r) => ({ ...r, core: { ...r.core, depth_mm: r.core.depth_mm * 1.5 } })),
    ),
  );
  if (thermalModel.radiators.some((r) => r.fans.length === 1)) {
    list.push(
      curve(
        'push-pull',
        msg`fans in push-pull`,
        change((r) => (r.fans.length === 1 ? { ...r, fans: [...r.fans, ...r.fans] } : r)),
      ),
    );
  }
  return list;
}
