import type { Loop } from '../design';
import { coolantProperties, type CoolantBase } from '../fluids';
import type { System } from '../system';

/** What warming does to a closed loop. */
export interface Expansion {
  readonly cold_C: number;
  readonly hot_C: number;
  /** Coolant grows by this much, mL. */
  readonly grows_mL: number;
  /** Air over the coolant at the fill mark, mL. */
  readonly air_mL: number;
  /**
   * Pressure it rises by when the loop is shut, bar; Infinity when the coolant fills all the air.
   */
  readonly rises_bar: number;
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

/**
 * Growth by the ratio of densities, and the air above it pressed together and warmed as an ideal
 * gas. The parts are taken to be rigid: soft tube gives a little.
 */
export function coolantExpansion(
  base: CoolantBase,
  volume_mL: number,
  air_mL: number,
  cold_C: number,
  hot_C: number,
): Expansion {
  const grows_mL =
      volume_mL *
      (coolantProperties(base, cold_C).density_kgm3 / coolantProperties(base, hot_C).density_kgm3 -
        1),
    left = air_mL - grows_mL;
  return {
    cold_C,
    hot_C,
    grows_mL,
    air_mL,
    rises_bar:
      left <= 0
        ? Infinity
        : ATMOSPHERE_BAR * ((air_mL / left) * ((hot_C + KELVIN) / (cold_C + KELVIN)) - 1),
  };
}

/** The same for a loop filled in the brief's room; null while it has no reservoir. */
export function loopExpansion(
  system: System,
  loop: Loop,
  volume_mL: number,
  hot_C: number,
): Expansion | null {
  const reservoirs = system.design.components.filter(
    (i) =>
      i.part.kind === 'reservoir' &&
      loop.connections.some((l) => l.from.component === i.id || l.to.component === i.id),
  );
  if (reservoirs.length === 0) return null;
  const air_mL = reservoirs.reduce(
    (s, i) =>
      s + (i.part.kind === 'reservoir' ? Math.max(0, i.part.volume_mL - i.part.fill_mL) : 0),
    0,
  );
  return coolantExpansion(loop.coolant.base, volume_mL, air_mL, system.design.brief.room_C, hot_C);
}
