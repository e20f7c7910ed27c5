import type { Box } from './box';
import { boxGap } from './distance';
import { pointIn, type Frame } from './frame';
import type { Vec } from './vec';

/** A round solid whose axis lies along one of the case's axes, mm. */
export interface Cylinder {
  readonly from: Vec;
  readonly to: Vec;
  readonly radius: number;
}

type Axis = 0 | 1 | 2;
const AXES: readonly Axis[] = [0, 1, 2];
/** The two axes across each. */
const ACROSS: Readonly<Record<Axis, readonly [Axis, Axis]>> = { 0: [1, 2], 1: [0, 2], 2: [0, 1] };

/** The axis a cylinder lies along: where its ends differ most. */
export function axisOf({ from, to }: Cylinder): Axis {
  const x = Math.abs(to[0] - from[0]),
    y = Math.abs(to[1] - from[1]),
    z = Math.abs(to[2] - from[2]);
  if (z > x && z > y) return 2;
  return y > x ? 1 : 0;
}

export function cylinderBox(c: Cylinder): Box {
  const axis = axisOf(c);
  const edge = (i: Axis, sign: 1 | -1): number =>
    i === axis ? (sign < 0 ? Math.min : Math.max)(c.from[i], c.to[i]) : c.from[i] + sign * c.radius;
  return {
    min: [edge(0, -1), edge(1, -1), edge(2, -1)],
    max: [edge(0, 1), edge(1, 1), edge(2, 1)],
  };
}

/** A cylinder of a part's own axes, in the case. */
export const cylinderIn = (f: Frame, c: Cylinder): Cylinder => ({
  from: pointIn(f, c.from),
  to: pointIn(f, c.to),
  radius: c.radius,
});

/** A cylinder from a place along a direction. */
export const cylinderFrom = (
  at: Vec,
  direction: Vec,
  length: number,
  radius: number,
): Cylinder => ({
  from: at,
  to: [at[0] + direction[0] * length, at[1] + direction[1] * length, at[2] + direction[2] * length],
  radius,
});

const interval = (aLow: number, aHigh: number, bLow: number, bHigh: number): number =>
  Math.max(bLow - aHigh, aLow - bHigh);

/**
 * Two sets that are each a stretch along one axis times a figure across it: apart by both, or
 * parted along the cheaper one.
 */
function product(along: number, across: number): number {
  if (along <= 0 && across <= 0) return Math.max(along, across);
  const a = Math.max(0, along),
    b = Math.max(0, across);
  return Math.sqrt(a * a + b * b);
}

/**
 * Signed distance of a disc and a rectangle in their plane: from the middle to the rectangle (below
 * 0 inside), less the radius.
 */
function discToRectangle(
  x: number,
  y: number,
  radius: number,
  low: readonly [number, number],
  high: readonly [number, number],
): number {
  const dx = Math.max(low[0] - x, x - high[0]),
    dy = Math.max(low[1] - y, y - high[1]);
  return product(dx, dy) - radius;
}

/**
 * Exact signed distance of a box and a cylinder, mm: Euclidean apart; overlapping, minus the
 * shortest move that parts them.
 */
export function boxCylinderGap(b: Box, c: Cylinder): number {
  const axis = axisOf(c),
    [u, v] = ACROSS[axis];
  const along = interval(
    b.min[axis],
    b.max[axis],
    Math.min(c.from[axis], c.to[axis]),
    Math.max(c.from[axis], c.to[axis]),
  );
  return product(
    along,
    discToRectangle(c.from[u], c.from[v], c.radius, [b.min[u], b.min[v]], [b.max[u], b.max[v]]),
  );
}

/**
 * Signed distance of two cylinders, mm. Along one axis: exact in closed form. Across: the largest
 * separation over all directions (support functions; for convex bodies that is the distance when
 * apart and minus the shortest parting move when not), searched from many starts to about 1e-6 mm.
 */
export function cylinderGap(a: Cylinder, b: Cylinder): number {
  const axis = axisOf(a);
  if (axis === axisOf(b)) {
    const [u, v] = ACROSS[axis];
    const along = interval(
      Math.min(a.from[axis], a.to[axis]),
      Math.max(a.from[axis], a.to[axis]),
      Math.min(b.from[axis], b.to[axis]),
      Math.max(b.from[axis], b.to[axis]),
    );
    return product(
      along,
      Math.hypot(a.from[u] - b.from[u], a.from[v] - b.from[v]) - a.radius - b.radius,
    );
  }
  return widest(roundOf(a), roundOf(b));
}

/** A cylinder as numbers: its axis, its ends along it, its middle across. */
interface Round {
  readonly axis: Axis;
  readonly low: number;
  readonly high: number;
  /** Its middle along the first and the second axis across. */
  readonly u: number;
  readonly v: number;
  readonly radius: number;
}
const rounds = new WeakMap<Cylinder, Round>();
function roundOf(c: Cylinder): Round {
  const known = rounds.get(c);
  if (known) return known;
  const axis = axisOf(c);
  const round = {
    axis,
    low: Math.min(c.from[axis], c.to[axis]),
    high: Math.max(c.from[axis], c.to[axis]),
    u: c.from[axis === 0 ? 1 : 0],
    v: c.from[axis === 2 ? 1 : 2],
    radius: c.radius,
  };
  rounds.set(c, round);
  return round;
}

/** How far a cylinder reaches along a direction. */
function reach(c: Round, x: number, y: number, z: number): number {
  const { axis } = c;
  let along = z;
  let u = x;
  let v = y;
  if (axis === 0) {
    along = x;
    u = y;
    v = z;
  } else if (axis === 1) {
    along = y;
    v = z;
  }
  const end = along > 0 ? along * c.high : along * c.low;
  return end + u * c.u + v * c.v + c.radius * Math.sqrt(u * u + v * v);
}

const STARTS: readonly Vec[] = [-1, 0, 1]
  .flatMap((x) => [-1, 0, 1].flatMap((y) => [-1, 0, 1].map((z): Vec => [x, y, z])))
  .filter((v) => v.some((x) => x !== 0))
  .map((v) => {
    const l = Math.hypot(...v);
    return [v[0] / l, v[1] / l, v[2] / l];
  });
const TURNS = Array.from(
  { length: 8 },
  (_, k) => [Math.cos((k * Math.PI) / 4), Math.sin((k * Math.PI) / 4)] as const,
);
/**
 * Starts followed to the end; first and finest step, radians (the value is off by the square of the
 * finest); a gain too small to go on for, mm; most moves.
 */
const FOLLOWED = 3,
  FIRST = 0.4,
  FINEST = 2e-5,
  LEAST_GAIN = 1e-9,
  MOST_MOVES = 300;

/**
 * Largest separation over unit directions: coarse starts, then shrinking steps on the sphere from
 * the best of them; no further once it is over `enough`.
 */
function widest(a: Round, b: Round, enough = Infinity): number {
  const value = (x: number, y: number, z: number): number =>
    -reach(a, x, y, z) - reach(b, -x, -y, -z);
  const starts = STARTS.map((n) => ({ n, v: value(n[0], n[1], n[2]) })).sort((p, q) => q.v - p.v);
  let most = -Infinity;
  if ((starts[0]?.v ?? -Infinity) > enough) return starts[0]?.v as number;
  for (let i = 0; i < FOLLOWED; i += 1) {
    const start = starts[i] as (typeof starts)[number];
    let [x, y, z] = start.n,
      best = start.v;
    for (let step = FIRST, moves = 0; step > FINEST && moves < MOST_MOVES;) {
      // Two directions across n.
      const tilt = Math.abs(x) < 0.6,
        tl = tilt ? Math.hypot(z, y) : Math.hypot(y, x);
      const tx = tilt ? 0 : y / tl,
        ty = tilt ? z / tl : -x / tl,
        tz = tilt ? -y / tl : 0;
      const wx = y * tz - z * ty,
        wy = z * tx - x * tz,
        wz = x * ty - y * tx;
      let moved = false;
      for (let k = 0; k < 8; k += 1) {
        const [c, s] = TURNS[k] as (typeof TURNS)[number];
        let nx = x + step * (c * tx + s * wx),
          ny = y + step * (c * ty + s * wy),
          nz = z + step * (c * tz + s * wz);
        const l = Math.sqrt(nx * nx + ny * ny + nz * nz);
        nx /= l;
        ny /= l;
        nz /= l;
        const v = value(nx, ny, nz);
        if (v > best + LEAST_GAIN) {
          best = v;
          x = nx;
          y = ny;
          z = nz;
          moved = true;
          moves += 1;
          if (best > enough) return best;
          break;
        }
      }
      if (!moved) step /= 2;
    }
    if (best > most) most = best;
  }
  return most;
}

/** A solid of a part: round where it says so, else its box. */
export interface Body {
  readonly box: Box;
  readonly cylinder?: Cylinder;
}

/**
 * Exact signed distance of two bodies, mm: Euclidean apart; overlapping, minus the shortest move
 * that parts them.
 */
export function bodyGap(a: Body, b: Body): number {
  if (a.cylinder)
    return b.cylinder ? cylinderGap(a.cylinder, b.cylinder) : boxCylinderGap(b.box, a.cylinder);
  return b.cylinder ? boxCylinderGap(a.box, b.cylinder) : boxGap(a.box, b.box);
}

/**
 * The same, but no further than is asked: a value above `enough` says no more than that the bodies
 * are at least that far apart. For the nearest of many.
 */
export function bodyGapUpTo(a: Body, b: Body, enough: number): number {
  if (a.cylinder && b.cylinder && axisOf(a.cylinder) !== axisOf(b.cylinder))
    return widest(roundOf(a.cylinder), roundOf(b.cylinder), enough);
  return bodyGap(a, b);
}

/** Whether two bodies reach into each other by more than `slack` mm: quicker than how far. */
export function bodiesMeet(a: Body, b: Body, slack = 1e-6): boolean {
  if (boxGap(a.box, b.box) >= -slack) return false;
  if (a.cylinder && b.cylinder && axisOf(a.cylinder) !== axisOf(b.cylinder))
    return widest(roundOf(a.cylinder), roundOf(b.cylinder), -slack) < -slack;
  return bodyGap(a, b) < -slack;
}

/** A round piece from one place to another: exact along an axis, its box where it slants. */
export function roundBody(from: Vec, to: Vec, radius: number): Body {
  if (AXES.filter((i) => Math.abs(to[i] - from[i]) > 1e-9).length === 1) {
    const cylinder = { from, to, radius };
    return { box: cylinderBox(cylinder), cylinder };
  }
  const edge = (i: Axis, sign: 1 | -1): number =>
    (sign < 0 ? Math.min(from[i], to[i]) : Math.max(from[i], to[i])) + sign * radius;
  return {
    box: {
      min: [edge(0, -1), edge(1, -1), edge(2, -1)],
      max: [edge(0, 1), edge(1, 1), edge(2, 1)],
    },
  };
}

/** The cylinder that fills a box about one of its axes. */
export function roundIn(box: Box, about: 'x' | 'y' | 'z'): Cylinder {
  const axisIndex = () => {
    if (about === 'x') return 0;
    if (about === 'y') return 1;
    return 2;
  };
  const k = axisIndex();
  const middle = ([0, 1, 2] as const).map((i) => (box.min[i] + box.max[i]) / 2);
  const end = (v: number): Vec => middle.map((m, i) => (i === k ? v : m)) as unknown as Vec;
  const radius = Math.min(
    ...([0, 1, 2] as const).filter((i) => i !== k).map((i) => (box.max[i] - box.min[i]) / 2),
  );
  return { from: end(box.min[k]), to: end(box.max[k]), radius };
}
