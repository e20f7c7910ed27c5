/** One setting of the fans, as the chart shows it. */
export interface Point {
  readonly noise_dBA: number;
  readonly deltaT_K: number;
  readonly speed_rpm: number;
}

/**
 * Where the handle stands at another speed before that is worked out: as far from the curve as it
 * stands now. `curve` by rising speed.
 */
export function pointAhead(curve: readonly Point[], now: Point, speed_rpm: number): Point {
  const there = along(curve, speed_rpm),
    here = along(curve, now.speed_rpm);
  if (!there || !here) return { ...now, speed_rpm };
  return {
    speed_rpm,
    noise_dBA: now.noise_dBA + there.noise_dBA - here.noise_dBA,
    deltaT_K: now.deltaT_K + there.deltaT_K - here.deltaT_K,
  };
}

/** A curve at a speed, between its points as a straight line; its end beyond it. */
function along(curve: readonly Point[], speed_rpm: number): Point | null {
  const after = curve.findIndex((p) => p.speed_rpm >= speed_rpm);
  const b = curve[after] ?? curve.at(-1),
    a = curve[after - 1];
  if (!a || !b) return b ?? null;
  const share = (speed_rpm - a.speed_rpm) / (b.speed_rpm - a.speed_rpm);
  const between = (from: number, to: number): number => from + share * (to - from);
  return {
    speed_rpm,
    noise_dBA: between(a.noise_dBA, b.noise_dBA),
    deltaT_K: between(a.deltaT_K, b.deltaT_K),
  };
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
