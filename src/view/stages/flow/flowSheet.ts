/** Room round the curves, px: for the axes and for the names at the ends of curves. */
export const LEFT = 38,
  RIGHT = 118,
  TOP = 22,
  BOTTOM = 34;

/** One flow of the chart, and the pressures there; null where a pump gives none. */
export interface FlowRow {
  readonly flow: number;
  readonly loop: number;
  readonly pump: number | null;
  readonly full: number | null;
}

/** Largest flow at one speed of all pumps, in % of full. */
export interface SpeedRow {
  readonly share: number;
  readonly flow: number;
}
