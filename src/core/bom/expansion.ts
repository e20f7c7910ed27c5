import { loopOfRun, type ComponentId, type Design, type Loop } from '../design';
import { coolantProperties, vapourPressure, type CoolantBase } from '../fluids';
import type { TubePart } from '../components';
import type { System } from '../system';
import type { Run } from '../tubing';
import { falsePosition } from '../units';

/** What warming does to a closed loop. */
export interface Expansion {
  readonly cold_C: number;
  readonly hot_C: number;
  /** Coolant grows by this much, mL. */
  readonly grows_mL: number;
  /** Air over the coolant at the fill, mL. */
  readonly air_mL: number;
  /** Of the growth, what the tubes take by swelling, mL. */
  readonly swells_mL: number;
  /**
   * Pressure it rises by over the room's when its cap was closed cold, bar; Infinity when the
   * coolant fills all the air and nothing gives.
   */
  readonly rises_bar: number;
  /** Below the room's by this much, cold again, when its cap was closed hot, bar. */
  readonly sinks_bar: number;
}

/** A length of tube as it gives under pressure. */
export interface TubeWall {
  readonly volume_mL: number;
  readonly outer_mm: number;
  readonly inner_mm: number;
  readonly material: TubePart['material'];
}

/**
 * Pressure over the room's that a warm, shut loop may reach without a word, bar: half of what loops
 * are tested at (common practice, no source).
 */
export const GROWTH_LIMIT_BAR = 0.25;
/** Holds up to the limit; fails from what joints are tested at. */
export const growthVerdict = ({ rises_bar }: Expansion): 'ok' | 'marginal' | 'fails' => {
  if (rises_bar <= GROWTH_LIMIT_BAR) return 'ok';
  if (rises_bar <= 2 * GROWTH_LIMIT_BAR) return 'marginal';
  return 'fails';
};

const KELVIN = 273.15,
  ATMOSPHERE_BAR = 1.01325;
const BAR_MPA = 0.1;
/** Pressures are looked for up to here, bar: beyond it a joint has long let go. */
const MOST_BAR = 100;
/** A vacuum is looked for down to here, bar. */
const LEAST_BAR = -0.99 * ATMOSPHERE_BAR;
const TOLERANCE = { x: 1e-6, y: 1e-9 } as const;

/** Young's modulus, MPa, and Poisson's ratio (from memory of tables of plastics; soft ones vary). */
const ELASTIC: Readonly<Record<TubePart['material'], readonly [E_MPa: number, nu: number]>> = {
  'soft PVC': [10, 0.5],
  'EPDM rubber': [5, 0.5],
  PETG: [2100, 0.38],
  acrylic: [3000, 0.37],
  copper: [117_000, 0.34],
};

/**
 * What a tube swells by, mL/bar: ΔV/V = (2 Δp/E) ((D² + d²)/(D² − d²) + ν), a thick-walled cylinder
 * (Lamé).
 */
export function tubeCompliance({ volume_mL, outer_mm, inner_mm, material }: TubeWall): number {
  const [E_MPa, nu] = ELASTIC[material];
  const [D2, d2] = [outer_mm ** 2, inner_mm ** 2];
  return ((2 * volume_mL * BAR_MPA) / E_MPa) * ((D2 + d2) / (D2 - d2) + nu);
}

/**
 * Growth by the ratio of densities. It is made room for by the air over it, pressed together and
 * warmed as an ideal gas with water's vapour in it, and by tubes that swell.
 */
export function coolantExpansion(
  base: CoolantBase,
  volume_mL: number,
  air_mL: number,
  cold_C: number,
  hot_C: number,
  tubes: readonly TubeWall[] = [],
): Expansion {
  const grows_mL =
    volume_mL *
    (coolantProperties(base, cold_C).density_kgm3 / coolantProperties(base, hot_C).density_kgm3 -
      1);
  const gives_mLbar = tubes.reduce((sum, t) => sum + tubeCompliance(t), 0);
  const closedCold = gas(air_mL, cold_C, hot_C),
    closedHot = gas(Math.max(0, air_mL - grows_mL), hot_C, cold_C);
  const rises_bar = pressureOf(
    (over_bar) => closedCold(over_bar) + grows_mL - air_mL - gives_mLbar * over_bar,
    air_mL - grows_mL > 0 || gives_mLbar > 0 ? MOST_BAR : null,
  );
  return {
    cold_C,
    hot_C,
    grows_mL,
    air_mL,
    swells_mL: Number.isFinite(rises_bar) ? gives_mLbar * rises_bar : 0,
    rises_bar,
    sinks_bar: -pressureOf(
      (over_bar) => closedHot(over_bar) - Math.max(air_mL, grows_mL) - gives_mLbar * over_bar,
      LEAST_BAR,
    ),
  };
}

/** Volume of shut-in moist air by pressure over the room's, mL at bar. */
function gas(air_mL: number, closed_C: number, now_C: number): (over_bar: number) => number {
  const dry_bar = ATMOSPHERE_BAR - vapourPressure(closed_C) / 1e5,
    vapour_bar = vapourPressure(now_C) / 1e5;
  const held = (air_mL * dry_bar * (now_C + KELVIN)) / (closed_C + KELVIN);
  return (over_bar) => held / Math.max(1e-9, ATMOSPHERE_BAR + over_bar - vapour_bar);
}

/** Where room taken and room there is meet, bar over the room; Infinity where nothing gives. */
function pressureOf(excess_mL: (over_bar: number) => number, end_bar: number | null): number {
  if (end_bar === null) return Infinity;
  const atRest = excess_mL(0);
  if (Math.abs(atRest) < TOLERANCE.y) return 0;
  const atEnd = excess_mL(end_bar);
  if (atRest > 0 && atEnd > 0) return end_bar > 0 ? Infinity : 0;
  if (atRest < 0 && atEnd < 0) return end_bar > 0 ? 0 : end_bar;
  return falsePosition(excess_mL, 0, end_bar, TOLERANCE, atRest, atEnd);
}

/** The same for a loop filled in the brief's room; null while it has no reservoir. */
export function loopExpansion(
  system: System,
  loop: Loop,
  runs: readonly Run[],
  volume_mL: number,
  hot_C: number,
): Expansion | null {
  const { design } = system;
  const reservoirs = reservoirsOf(design, loop);
  if (reservoirs.length === 0) return null;
  const air_mL = reservoirs.reduce(
    (sum, { volume_mL: whole_mL, fill_mL }) => sum + Math.max(0, whole_mL - fill_mL),
    0,
  );
  const tubes = runs.flatMap((run): TubeWall[] => {
    if (run.loop !== loop.id || run.by !== 'tube') return [];
    const { outer_mm, inner_mm, material } = loopOfRun(loop, run.id).tube;
    return [{ volume_mL: run.volume_mL, outer_mm, inner_mm, material }];
  });
  return coolantExpansion(loop.coolant.base, volume_mL, air_mL, design.brief.room_C, hot_C, tubes);
}

/** The reservoirs of a loop with what they hold. */
export const reservoirsOf = (
  { components }: Design,
  loop: Loop,
): readonly {
  readonly id: ComponentId;
  readonly volume_mL: number;
  readonly fill_mL: number;
}[] =>
  components.flatMap(({ id, part }) =>
    part.kind === 'reservoir' &&
    loop.connections.some((l) => l.from.component === id || l.to.component === id)
      ? [{ id, volume_mL: part.volume_mL, fill_mL: part.fill_mL }]
      : [],
  );
