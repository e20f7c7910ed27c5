import { type ComponentId } from '../design';
import type { FlowReport } from '../hydraulics';
import type { LoadCaseId } from '../components';
import { bandOf, normal, randomBy, type Band } from '../units';
import { SPREAD } from './spread';
import { worstRise } from './worstRise';
import type { ThermalModel } from './thermalModel';
import { solvePrepared } from './solve';
import { prepareHeat } from './steady';

export interface Uncertainty {
  readonly draws: number;
  /** Coolant of the warmest loop over the room, K; null when no steady state exists. */
  readonly deltaT_K: Band | null;
  /** Share of the draws in which the rise passes the brief's. */
  readonly riseOver: number;
  readonly hotSpots: readonly {
    readonly component: ComponentId;
    readonly hotSpot: string;
    readonly temp_C: Band | null;
    readonly limit_C: number;
    /** Share of the draws over the limit. */
    readonly over: number;
  }[];
}

/** Draws between two reports of progress. */
const REPORT_EVERY = 25;

/**
 * Temperatures under many seeded draws of what is uncertain. `tell` hears how many are done; false
 * stops it and null comes back.
 */
export function temperatureUncertainty(
  thermalModel: ThermalModel,
  flow: FlowReport,
  load: LoadCaseId,
  draws = 400,
  seed = 1,
  tell: (done: number, of: number) => boolean = () => true,
): Uncertainty | null {
  const random = randomBy(seed);
  /** A factor about 1; never below a third. */
  const factor = (spread: number): number => Math.max(1 / 3, 1 + spread * normal(random));
  const rises: number[] = [],
    temps: number[][] = [];
  let spots: readonly {
    readonly component: ComponentId;
    readonly hotSpot: string;
    readonly limit_C: number;
  }[] = [];
  for (let i = 0; i < draws; i += 1) {
    const factors = {
      airFlow: thermalModel.factors.airFlow * factor(SPREAD.airFlow),
      conductance: thermalModel.factors.conductance * factor(SPREAD.conductance),
    };
    const vary = {
      draw: drawn(factor, SPREAD.draw),
      block: drawn(factor, SPREAD.block),
      interface: drawn(factor, SPREAD.interface),
    };
    const report = solvePrepared(prepareHeat({ ...thermalModel, factors }, flow), load, { vary });
    const rise = worstRise(report);
    if (rise !== null) rises.push(rise);
    spots = report.hotSpots;
    report.hotSpots.forEach((s, k) => {
      (temps[k] ??= []).push(s.temp_C ?? NaN);
    });
    if ((i + 1) % REPORT_EVERY === 0 && !tell(i + 1, draws)) return null;
  }
  const limit = thermalModel.system.design.brief.limits.deltaT_K;
  return {
    draws,
    deltaT_K: bandOrNone(rises, draws),
    riseOver: rises.filter((r) => r > limit).length / draws,
    hotSpots: spots.map((s, k) => ({
      component: s.component,
      hotSpot: s.hotSpot,
      limit_C: s.limit_C,
      temp_C: bandOrNone(
        (temps[k] ?? []).filter((t) => !Number.isNaN(t)),
        draws,
      ),
      over: (temps[k] ?? []).filter((t) => t > s.limit_C).length / draws,
    })),
  };
}

/** The same factor each time a component is asked for within a draw. */
function drawn(factor: (spread: number) => number, spread: number): (component: string) => number {
  const known = new Map<string, number>();
  return (component) => {
    let f = known.get(component);
    if (f === undefined) {
      f = factor(spread);
      known.set(component, f);
    }
    return f;
  };
}

/** Null when most draws have no steady state. */
const bandOrNone = (values: readonly number[], draws: number): Band | null =>
  values.length < draws / 2 ? null : bandOf(values);
