import type { Box } from './box';
import { boxGap } from './distance';
import { pointIn, type Frame } from './frame';
import type { Vec } from './vec';

/** A round solid whose axis lies along one of the case's axes, mm. */
export interface Cylinder { readonly from: Vec; readonly to: Vec; readonly radius: number }

type Axis = 0 | 1 | 2;
const AXES: readonly Axis[] = [0, 1, 2];

/** The axis a cylinder lies along: where its ends differ most. */
export const axisOf = (c: Cylinder): Axis => AXES.reduce((a, i) => (Math.abs(c.to[i] - c.from[i]) > Math.abs(c.to[a] - c.from[a]) ? i : a), 0 as Axis);

export function cylinderBox(c: Cylinder): Box {
  const axis = axisOf(c);
  const edge = (i: Axis, sign: 1 | -1): number => (i === axis ? (sign < 0 ? Math.min : Math.max)(c.from[i], c.to[i]) : c.from[i] + sign * c.radius);
  return { min: [edge(0, -1), edge(1, -1), edge(2, -1)], max: [edge(0, 1), edge(1, 1), edge(2, 1)] };
}

/** A cylinder of a part's own axes, in the case. */
export const cylinderIn = (f: Frame, c: Cylinder): Cylinder => ({ from: pointIn(f, c.from), to: pointIn(f, c.to), radius: c.radius });

/** A cylinder from a place along a direction. */
export const cylinderFrom = (at: Vec, direction: Vec, length: number, radius: number): Cylinder => ({ from: at, to: [at[0] + direction[0] * length, at[1] + direction[1] * length, at[2] + direction[2] * length], radius });

const interval = (aLow: number, aHigh: number, bLow: number, bHigh: number): number => Math.max(bLow - aHigh, aLow - bHigh);

/** Two sets that are each a stretch along one axis times a figure across it: apart by both, or parted along the cheaper one. */
const product = (along: number, across: number): number => (along <= 0 && across <= 0 ? Math.max(along, across) : Math.hypot(Math.max(0, along), Math.max(0, across)));

/** Signed distance of a disc and a rectangle in their plane: from the middle to the rectangle (below 0 inside), less the radius. */
function discToRectangle(x: number, y: number, radius: number, low: readonly [number, number], high: readonly [number, number]): number {
  const dx = Math.max(low[0] - x, x - high[0]), dy = Math.max(low[1] - y, y - high[1]);
  return (dx <= 0 && dy <= 0 ? Math.max(dx, dy) : Math.hypot(Math.max(0, dx), Math.max(0, dy))) - radius;
}

/** Exact signed distance of a box and a cylinder, mm: Euclidean apart; overlapping, minus the shortest move that parts them. */
export function boxCylinderGap(b: Box, c: Cylinder): number {
  const axis = axisOf(c), [u, v] = AXES.filter((i) => i !== axis) as [Axis, Axis];
  const along = interval(b.min[axis], b.max[axis], Math.min(c.from[axis], c.to[axis]), Math.max(c.from[axis], c.to[axis]));
  return product(along, discToRectangle(c.from[u], c.from[v], c.radius, [b.min[u], b.min[v]], [b.max[u], b.max[v]]));
}

/**
 * Signed distance of two cylinders, mm. Along one axis: exact in closed form. Across: the largest separation over all directions
 * (support functions; for convex bodies that is the distance when apart and minus the shortest parting move when not), searched from
 * many starts to 1e-6 mm.
 */
export function cylinderGap(a: Cylinder, b: Cylinder): number {
  const axis = axisOf(a);
  if (axis === axisOf(b)) {
    const [u, v] = AXES.filter((i) => i !== axis) as [Axis, Axis];
    const along = interval(Math.min(a.from[axis], a.to[axis]), Math.max(a.from[axis], a.to[axis]), Math.min(b.from[axis], b.to[axis]), Math.max(b.from[axis], b.to[axis]));
    return product(along, Math.hypot(a.from[u] - b.from[u], a.from[v] - b.from[v]) - a.radius - b.radius);
  }
  return widest((n) => -support(a, n) - support(b, [-n[0], -n[1], -n[2]]));
}

/** How far a cylinder reaches along a direction. */
function support(c: Cylinder, n: Vec): number {
  const axis = axisOf(c);
  const across = Math.hypot(...AXES.filter((i) => i !== axis).map((i) => n[i]));
  const end = (p: Vec): number => p[0] * n[0] + p[1] * n[1] + p[2] * n[2];
  return Math.max(end(c.from), end(c.to)) + c.radius * across;
}

const STARTS: readonly Vec[] = [-1, 0, 1].flatMap((x) => [-1, 0, 1].flatMap((y) => [-1, 0, 1].map((z): Vec => [x, y, z]))).filter((v) => v.some((x) => x !== 0)).map(unitOf);
/** Starts that are followed to the end, and the finest step, radians. */
const FOLLOWED = 5, FINEST = 1e-9;

/** Largest value over unit directions: coarse starts, then shrinking steps on the sphere from the best of them. */
function widest(value: (n: Vec) => number): number {
  const starts = STARTS.map((n) => ({ n, v: value(n) })).sort((a, b) => b.v - a.v).slice(0, FOLLOWED);
  return Math.max(...starts.map(({ n, v }) => climb(value, n, v)));
}

function climb(value: (n: Vec) => number, from: Vec, first: number): number {
  let n = from, best = first;
  for (let step = 0.5; step > FINEST;) {
    // Two directions across n.
    const t = unitOf(Math.abs(n[0]) < 0.6 ? [0, n[2], -n[1]] : [n[1], -n[0], 0]), w: Vec = [n[1] * t[2] - n[2] * t[1], n[2] * t[0] - n[0] * t[2], n[0] * t[1] - n[1] * t[0]];
    let moved = false;
    for (let k = 0; k < 8; k += 1) {
      const x = Math.cos((k * Math.PI) / 4) * step, y = Math.sin((k * Math.PI) / 4) * step;
      const next = unitOf([n[0] + x * t[0] + y * w[0], n[1] + x * t[1] + y * w[1], n[2] + x * t[2] + y * w[2]]), v = value(next);
      if (v > best) { best = v; n = next; moved = true; break; }
    }
    if (!moved) step /= 2;
  }
  return best;
}

function unitOf(v: Vec): Vec { const l = Math.hypot(...v) || 1; return [v[0] / l, v[1] / l, v[2] / l]; }

/** A solid of a part: round where it says so, else its box. */
export interface Body { readonly box: Box; readonly cylinder?: Cylinder }

/** Exact signed distance of two bodies, mm: Euclidean apart; overlapping, minus the shortest move that parts them. */
export function bodyGap(a: Body, b: Body): number {
  if (a.cylinder) return b.cylinder ? cylinderGap(a.cylinder, b.cylinder) : boxCylinderGap(b.box, a.cylinder);
  return b.cylinder ? boxCylinderGap(a.box, b.cylinder) : boxGap(a.box, b.box);
}
