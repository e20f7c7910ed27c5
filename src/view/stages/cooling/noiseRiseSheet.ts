/** One setting of the fans, as the chart shows it. */
export interface Point {
  readonly noise_dBA: number;
  readonly deltaT_K: number;
  readonly speed_rpm: number;
}

/** Room round the curves, px: for the axes and for the names at the ends of curves. */
export const LEFT = 34,
  RIGHT = 128,
  TOP = 22,
  BOTTOM = 34;
