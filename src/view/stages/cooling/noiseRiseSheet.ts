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

/** What the sheet shows, in the units of its axes, and the corner of it that holds the brief. */
export interface Sheet {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
  readonly deltaT_K: number;
  readonly noise_dBA: number;
}

const DASH: Record<string, string | undefined> = {
  now: undefined,
  more: '7 4',
  less: '10 4 2 4',
  thicker: '2 4',
  'push-pull': '12 3 2 3 2 3',
};

/** How a curve is drawn. */
export const strokeOf = (id: string) => ({
  stroke: id === 'now' ? 'var(--ink)' : 'var(--soft)',
  strokeWidth: id === 'now' ? 2.4 : 1.3,
  strokeDasharray: DASH[id],
});
