import type { Loop, RouteStyle } from '../design';

/**
 * What ways are weighed by, in millimetres of straight tube (common practice, no source): few bends
 * before short ways, and legs in line with their neighbours before either.
 */
export interface RoutePrices {
  /** A bend: heating, holding, and one more to get wrong. */
  readonly bend_mm: number;
  /** The share of that which falls away with the angle: half of it at 45°. */
  readonly byAngle: number;
  /** A leg off the lines and planes of the loop's other runs, share of its length. */
  readonly offPlane: number;
  /** A bend of another angle than 45° or 90°; Infinity where the style has none but as a last way. */
  readonly oddAngle_mm: number;
  /** A leg before something shown, and one that crosses another loop seen through the glass. */
  readonly view_mm: number;
  /** A leg at the glass costs so much more than one at the back, share of its length. */
  readonly atGlass: number;
}

const PRICES: Record<RouteStyle, RoutePrices> = {
  parallel: {
    bend_mm: 80,
    byAngle: 0.25,
    offPlane: 0.12,
    oddAngle_mm: 55,
    view_mm: 120,
    atGlass: 0,
  },
  free: { bend_mm: 60, byAngle: 0, offPlane: 0, oddAngle_mm: 0, view_mm: 120, atGlass: 0 },
  shortest: { bend_mm: 10, byAngle: 0, offPlane: 0, oddAngle_mm: 0, view_mm: 120, atGlass: 0 },
  hidden: {
    bend_mm: 60,
    byAngle: 0.25,
    offPlane: 0.12,
    oddAngle_mm: 55,
    view_mm: 360,
    atGlass: 0.8,
  },
};

/** What a bend of an angle costs, degrees: one of 90° or more `bend_mm`, a lesser one less. */
export const bendPrice = (
  { bend_mm, byAngle }: Pick<RoutePrices, 'bend_mm' | 'byAngle'>,
  angle_deg: number,
): number => bend_mm * (1 - byAngle * Math.max(0, 1 - angle_deg / 90));

/**
 * How much dearer a leg is for its depth: 1 at the back of the room, 1 + `atGlass` at the glass, by
 * the middle of a leg from depth `a` to depth `b`.
 */
export function depthRate(
  { atGlass }: RoutePrices,
  [back, glass]: readonly [number, number],
  a: number,
  b: number,
): number {
  if (atGlass === 0 || glass <= back) return 1;
  return 1 + atGlass * Math.max(0, Math.min(1, ((a + b) / 2 - back) / (glass - back)));
}

/** What a search reckons with where nothing else is said. */
export const PARALLEL = PRICES.parallel;

/** The style a loop's runs lie in: as it was chosen, or as its tube asks for. */
export const styleOf = ({ routing, tube }: Pick<Loop, 'routing' | 'tube'>): RouteStyle =>
  routing?.style ?? (tube.hard ? 'parallel' : 'shortest');

/** Prices of a loop's style, with the builder's own weights in their place. */
export function pricesOf(loop: Pick<Loop, 'routing' | 'tube'>): RoutePrices {
  return { ...PRICES[styleOf(loop)], ...loop.routing?.weights };
}
