import type { Analysis } from '../analysis';
import { findComponent, type Design, type LoopId } from '../design';
import { flowAtShares, networkOf } from '../hydraulics';
import { heardLevel } from '../acoustics';
import { soundSources, temperatureUncertainty, type Uncertainty } from '../thermal';
import { SPREAD_BESIDE } from './spreadBeside';
import { bandOf, normal, randomBy, type Band } from '../units';

/** A figure under many draws, and the share of them on the wrong side of its limit. */
export interface Judged {
  readonly band: Band | null;
  readonly beyond: number;
}

/** What a build may come to, all from one seed. */
export interface WholeUncertainty extends Uncertainty {
  /** Round each loop, against the brief's flow. */
  readonly flow: readonly (Judged & { readonly loop: LoopId })[];
  /** Where the builder sits, against the brief's noise. */
  readonly noise: Judged;
  /** The loop's list, minor units, against the budget; `beyond` 0 without one. */
  readonly price: Judged;
  /** Gaps whose verdict may turn: mm, and the share of builds in which the two touch. */
  readonly gaps: readonly GapJudged[];
}

/** A gap under many draws of both sizes. */
export interface GapJudged extends Judged {
  readonly a: string;
  readonly b: string;
  /** Share of the draws in which less is left than the brief keeps clear. */
  readonly tight: number;
}

/** Draws of everything that is uncertain. Null when `tell` stops it. */
export function uncertainty(
  analysis: Analysis,
  draws: number,
  seed: number,
  tell: (done: number, of: number) => boolean = () => true,
): WholeUncertainty | null {
  const { thermalModel, reports, system } = analysis;
  const { loadCase } = system.design.brief;
  const temperatures = temperatureUncertainty(
    thermalModel,
    reports.flow,
    loadCase,
    draws,
    seed,
    tell,
  );
  if (!temperatures) return null;
  const random = randomBy(seed + 1);
  return {
    ...temperatures,
    flow: flowsOf(analysis, draws, random),
    noise: noiseOf(analysis, draws, random),
    price: priceOf(analysis, draws, random),
    gaps: gapsOf(analysis, draws, random),
  };
}

const judged = (values: readonly number[], isBeyond: (v: number) => boolean): Judged => ({
  band: bandOf(values),
  beyond: values.filter(isBeyond).length / Math.max(1, values.length),
});

/**
 * A pump that gives h times its head against l times the losses moves what it would at √(h/l) of its
 * speed: exact where what is taken goes with the square.
 */
function flowsOf(
  { system, reports }: Analysis,
  draws: number,
  random: () => number,
): WholeUncertainty['flow'] {
  const wanted_Lmin = system.design.brief.limits.flow_Lmin;
  return system.loops.flatMap((graph) => {
    const state = reports.flow.loops.find((l) => l.id === graph.loop.id);
    if (state?.status !== 'solved') return [];
    const network = networkOf(system, graph, reports.runs, state.coolant_C);
    const shares = Array.from({ length: draws }, () =>
      Math.sqrt(factor(random, SPREAD_BESIDE.head) / factor(random, SPREAD_BESIDE.losses)),
    );
    const flows = flowAtShares(network, shares);
    return [{ loop: graph.loop.id, ...judged(flows, (q) => q < wanted_Lmin) }];
  });
}

function noiseOf({ thermalModel }: Analysis, draws: number, random: () => number): Judged {
  const { listener_m, limits } = thermalModel.system.design.brief;
  const sources = soundSources(thermalModel);
  const levels = Array.from({ length: draws }, () =>
    heardLevel(
      sources.map((s) => ({
        ...s,
        level_dBA: s.level_dBA + SPREAD_BESIDE.sound_dB * normal(random),
      })),
      listener_m,
    ),
  );
  return judged(levels, (l) => l > limits.noise_dBA);
}

function priceOf({ reports: { bom } }: Analysis, draws: number, random: () => number): Judged {
  const lines = bom.lines.filter((l) => l.inBudget && l.total > 0);
  const totals = Array.from({ length: draws }, () =>
    lines.reduce((sum, l) => sum + l.total * factor(random, SPREAD_BESIDE.price), 0),
  );
  return judged(totals, (t) => bom.budget !== null && t > bom.budget);
}

/** Gaps this many deviations from touching, or from what is kept clear, may turn. */
const NEAR_DEVIATIONS = 4;

/** Every part is off its size by one draw in all its gaps; the case counts once, as its walls. */
function gapsOf(
  { system: { design }, reports }: Analysis,
  draws: number,
  random: () => number,
): readonly GapJudged[] {
  const clear_mm = design.brief.limits.clear_mm;
  const deviationOf = (id: string): number =>
    SPREAD_BESIDE.tolerance *
    (findComponent(design, id)?.part.tolerance_mm ?? design.case?.tolerance_mm ?? 0);
  const near = reports.clearance.gaps.filter(({ a, b, gap_mm }) => {
    const reach_mm = NEAR_DEVIATIONS * Math.hypot(deviationOf(a), deviationOf(b));
    return Math.abs(gap_mm) < reach_mm || Math.abs(gap_mm - clear_mm) < reach_mm;
  });
  const sides = [...new Set(near.flatMap(({ a, b }) => [sideOf(design, a), sideOf(design, b)]))];
  const off = Array.from(
    { length: draws },
    () => new Map(sides.map((id) => [id, deviationOf(id) * normal(random)])),
  );
  return near.map(({ a, b, gap_mm }) => {
    const values = off.map(
      (by) => gap_mm - (by.get(sideOf(design, a)) ?? 0) - (by.get(sideOf(design, b)) ?? 0),
    );
    return {
      a,
      b,
      ...judged(values, (gap) => gap < 0),
      tight: values.filter((gap) => gap < clear_mm).length / Math.max(1, values.length),
    };
  });
}

/** A part by its id; walls, cages and shrouds are all of the case. */
const sideOf = (design: Design, id: string): string => (findComponent(design, id) ? id : CASE_SIDE);
const CASE_SIDE = 'case';

/** A factor about 1; never below a third. */
const factor = (random: () => number, spread: number): number =>
  Math.max(1 / 3, 1 + spread * normal(random));
