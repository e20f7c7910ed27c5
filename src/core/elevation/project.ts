import { add, cornersIn, type Box, type Vec } from '../geometry';
import type { Solid } from '../system';
import { msg, worded } from '../messages';

export type View = 'side' | 'front' | 'top';
export const VIEW_NAMES: Record<View, string> = worded(() => ({
  side: msg`window side`,
  front: msg`front`,
  top: msg`top`,
}));

export interface Flat {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly depth: number;
}

/**
 * From case millimetres to the sheet: seen from the glass, from the front, or from above (glass at
 * the bottom).
 */
export function flatPoint(view: View, size: Vec, p: Vec): readonly [number, number] {
  if (view === 'side') return [p[0], size[1] - p[1]];
  if (view === 'front') return [size[2] - p[2], size[1] - p[1]];
  return [p[0], p[2]];
}

export function flatBox(view: View, size: Vec, b: Box): Flat {
  const [x0, y0] = flatPoint(view, size, b.min),
    [x1, y1] = flatPoint(view, size, b.max);
  const axisOfDepth = () => {
    if (view === 'side') return 2;
    if (view === 'front') return 0;
    return 1;
  };
  const depthAxis = axisOfDepth();
  return {
    x: Math.min(x0, x1),
    y: Math.min(y0, y1),
    w: Math.abs(x1 - x0),
    h: Math.abs(y1 - y0),
    depth: b.max[depthAxis],
  };
}

export function sheetSize(view: View, size: Vec): readonly [number, number] {
  if (view === 'side') return [size[0], size[1]];
  return view === 'front' ? [size[2], size[1]] : [size[0], size[2]];
}

/** A way on the sheet as a way in the case: the inverse of flatPoint for differences. */
export function caseWay(view: View, dx: number, dy: number): Vec {
  if (view === 'side') return [dx, -dy, 0];
  return view === 'front' ? [0, -dy, -dx] : [dx, 0, dy];
}

/**
 * A clip on a tube of `outer_mm` as a stroke across it on the sheet, a little beyond either edge;
 * where the tube points at the eye, a level one.
 */
export function clipStroke(
  view: View,
  size: Vec,
  { at, along }: { readonly at: Vec; readonly along: Vec },
  outer_mm: number,
): readonly [readonly [number, number], readonly [number, number]] {
  const [x, y] = flatPoint(view, size, at),
    [x1, y1] = flatPoint(view, size, add(at, along));
  const long = Math.hypot(x1 - x, y1 - y),
    reach_mm = outer_mm / 2 + CLIP_STANDS_OUT_MM;
  const [ax, ay] = long > AT_THE_EYE ? [-(y1 - y) / long, (x1 - x) / long] : [1, 0];
  return [
    [x - ax * reach_mm, y - ay * reach_mm],
    [x + ax * reach_mm, y + ay * reach_mm],
  ];
}
/** A clip is drawn so far beyond its tube, mm. */
const CLIP_STANDS_OUT_MM = 3;
/** A way that shows no longer than this on the sheet points at the eye; of a unit. */
const AT_THE_EYE = 0.1;

/** Solids to be drawn: of the cells of a body that stands aslant the first, which stands for it. */
export const wholeBodies = (solids: readonly Solid[]): readonly Solid[] => {
  const drawn = new Set<Solid['whole']>();
  return solids.filter((s) => {
    if (!s.whole) return true;
    if (drawn.has(s.whole)) return false;
    drawn.add(s.whole);
    return true;
  });
};

/** The outline on the sheet of a body that stands aslant, as the points of a polygon. */
export function outlineOf(
  view: View,
  size: Vec,
  { frame, box }: NonNullable<Solid['whole']>,
): string {
  const points = cornersIn(frame, box).map((p) => flatPoint(view, size, p));
  return hullOf(points)
    .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ');
}

type Point = readonly [number, number];

/** Convex hull by the monotone chain (Andrew 1979). */
function hullOf(points: readonly Point[]): readonly Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly Point[]): Point[] => {
    const chain: Point[] = [];
    for (const p of list) {
      while (chain.length > 1 && turnOf(chain[chain.length - 2], chain[chain.length - 1], p) <= 0)
        chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}
const turnOf = (o: Point | undefined, a: Point | undefined, b: Point): number =>
  o && a ? (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]) : 1;
