import type { Segment } from '../tubing';
import { BoxTree, type Box, type Vec } from '../geometry';
import { samplePath } from './path';

/**
 * Something a tube's middle line must keep out of, already grown by the tube's radius and the
 * distance kept.
 */
export interface Obstacle {
  readonly id: string;
  readonly min: Vec;
  readonly max: Vec;
  /** What it costs to pass through; Infinity: never. */
  readonly penalty: number;
  /** Kept out of for looks alone. */
  readonly preference?: boolean;
}

/** The room a middle line may use. */
export interface Workspace {
  readonly bounds: Box;
  readonly blocks: readonly Obstacle[];
}

const EPS = 1e-6;

export const grow = (box: Box, by: number): Box => ({
  min: [box.min[0] - by, box.min[1] - by, box.min[2] - by],
  max: [box.max[0] + by, box.max[1] + by, box.max[2] + by],
});
export const within = (b: { readonly min: Vec; readonly max: Vec }, p: Vec): boolean =>
  p[0] > b.min[0] + EPS &&
  p[0] < b.max[0] - EPS &&
  p[1] > b.min[1] + EPS &&
  p[1] < b.max[1] - EPS &&
  p[2] > b.min[2] + EPS &&
  p[2] < b.max[2] - EPS;

type Axis = 0 | 1 | 2;

/** Fewer blocks than this are looked at one by one. */
const FEW = 24;
const trees = new WeakMap<readonly Obstacle[], BoxTree>();
const numbers: number[] = [];

/** Blocks that may touch the box between two corners, in their order; more than do, never fewer. */
export function blocksNear(blocks: readonly Obstacle[], low: Vec, high: Vec): readonly Obstacle[] {
  if (blocks.length < FEW) return blocks;
  let tree = trees.get(blocks);
  if (!tree) trees.set(blocks, (tree = new BoxTree(blocks)));
  tree.near(low[0], low[1], low[2], high[0], high[1], high[2], numbers);
  return numbers.map((i) => blocks[i] as Obstacle);
}

/** How far a ray along an axis gets, mm, and the tolls on its way, nearest first. */
export interface Reach {
  readonly free_mm: number;
  readonly tolls: readonly { readonly at_mm: number; readonly penalty: number }[];
}

export function reachOf({ bounds, blocks }: Workspace, from: Vec, axis: Axis, sign: 1 | -1): Reach {
  const u = axis === 0 ? 1 : 0,
    v = axis === 2 ? 1 : 2,
    x = from[axis],
    pu = from[u],
    pv = from[v];
  let free = sign > 0 ? bounds.max[axis] - x : x - bounds.min[axis];
  const tolls: { at_mm: number; penalty: number }[] = [];
  const end: [number, number, number] = [from[0], from[1], from[2]];
  end[axis] = sign > 0 ? bounds.max[axis] : bounds.min[axis];
  const [low, high] = sign > 0 ? [from, end] : [end, from];
  for (const b of blocksNear(blocks, low, high)) {
    if (
      pu <= b.min[u] + EPS ||
      pu >= b.max[u] - EPS ||
      pv <= b.min[v] + EPS ||
      pv >= b.max[v] - EPS
    )
      continue;
    // Where the ray enters; below 0 when it stands inside already.
    const enter = sign > 0 ? b.min[axis] - x : x - b.max[axis],
      leave = sign > 0 ? b.max[axis] - x : x - b.min[axis];
    if (leave <= EPS) continue;
    if (b.penalty === Infinity) free = Math.min(free, Math.max(0, enter));
    else tolls.push({ at_mm: Math.max(0, enter), penalty: b.penalty });
  }
  return {
    free_mm: free,
    tolls: tolls.length > 1 ? tolls.sort((a, b) => a.at_mm - b.at_mm) : tolls,
  };
}

/**
 * Toll of a row of points: Infinity where one is in a wall or outside; a block passed is paid once.
 */
export function tollOf({ bounds, blocks }: Workspace, points: readonly Vec[]): number {
  let x0 = Infinity,
    y0 = Infinity,
    z0 = Infinity,
    x1 = -Infinity,
    y1 = -Infinity,
    z1 = -Infinity;
  for (const [x, y, z] of points) {
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
    if (z < z0) z0 = z;
    if (z > z1) z1 = z;
  }
  if (
    x0 < bounds.min[0] - EPS ||
    y0 < bounds.min[1] - EPS ||
    z0 < bounds.min[2] - EPS ||
    x1 > bounds.max[0] + EPS ||
    y1 > bounds.max[1] + EPS ||
    z1 > bounds.max[2] + EPS
  )
    return Infinity;
  let penalty = 0;
  for (const b of blocksNear(blocks, [x0, y0, z0], [x1, y1, z1])) {
    if (
      b.min[0] >= x1 ||
      b.max[0] <= x0 ||
      b.min[1] >= y1 ||
      b.max[1] <= y0 ||
      b.min[2] >= z1 ||
      b.max[2] <= z0
    )
      continue;
    for (const p of points) {
      if (!within(b, p)) continue;
      if (b.penalty === Infinity) return Infinity;
      penalty += b.penalty;
      break;
    }
  }
  return penalty;
}

/** Points of an arc looked at so far apart, mm. */
const ARC_STEP_MM = 5;

/**
 * Toll of a path: Infinity where a stretch of it is in a wall or outside; a block passed is paid
 * once. Lines are looked at whole, arcs point by point.
 */
export function tollOfPath({ bounds, blocks }: Workspace, path: readonly Segment[]): number {
  const arcs: (readonly Vec[] | undefined)[] = [];
  const low: [number, number, number] = [Infinity, Infinity, Infinity],
    high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  const take = (p: Vec): void => {
    for (let k = 0; k < 3; k += 1) {
      if ((p[k] as number) < (low[k] as number)) low[k] = p[k] as number;
      if ((p[k] as number) > (high[k] as number)) high[k] = p[k] as number;
    }
  };
  for (const [i, s] of path.entries()) {
    take(s.from);
    take(s.to);
    if (s.kind === 'line') continue;
    const points = samplePath([s], ARC_STEP_MM);
    arcs[i] = points;
    for (const p of points) take(p);
  }
  for (let k = 0; k < 3; k += 1)
    if (
      (low[k] as number) < (bounds.min[k] as number) - EPS ||
      (high[k] as number) > (bounds.max[k] as number) + EPS
    )
      return Infinity;
  let toll = 0;
  for (const b of blocksNear(blocks, low, high)) {
    if (
      b.min[0] >= high[0] ||
      b.max[0] <= low[0] ||
      b.min[1] >= high[1] ||
      b.max[1] <= low[1] ||
      b.min[2] >= high[2] ||
      b.max[2] <= low[2]
    )
      continue;
    const meets = path.some((s, i) =>
      s.kind === 'line'
        ? passes(b, s.from, s.to)
        : (arcs[i] as readonly Vec[]).some((p) => within(b, p)),
    );
    if (!meets) continue;
    if (b.penalty === Infinity) return Infinity;
    toll += b.penalty;
  }
  return toll;
}

/**
 * Whether a stretch between the bends of a way, all rounded to one radius, meets a wall: what most
 * ways meet first, told before their bends are drawn. No says nothing of the bends.
 */
export function meetsBetweenBends(
  { blocks }: Workspace,
  corners: readonly Vec[],
  radius_mm: number,
): boolean {
  const [first] = corners as readonly [Vec];
  const low: [number, number, number] = [first[0], first[1], first[2]],
    high: [number, number, number] = [first[0], first[1], first[2]];
  for (const corner of corners)
    for (let k = 0; k < 3; k += 1) {
      const v = corner[k] as number;
      if (v < (low[k] as number)) low[k] = v;
      if (v > (high[k] as number)) high[k] = v;
    }
  const near = blocksNear(blocks, low, high).filter((b) => b.penalty === Infinity);
  if (near.length === 0) return false;
  const backs = setBacks(corners, radius_mm);
  for (let leg = 1; leg < corners.length; leg += 1) {
    const a = corners[leg - 1] as Vec,
      b = corners[leg] as Vec;
    const long = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    const s = (backs[leg - 1] as number) / long,
      t = 1 - (backs[leg] as number) / long;
    if (t <= s) continue;
    const from = between(a, b, s),
      to = between(a, b, t);
    if (near.some((block) => passes(block, from, to))) return true;
  }
  return false;
}

/** How far before and after each corner its bend begins and ends, mm; 0 at the ends. */
function setBacks(corners: readonly Vec[], radius_mm: number): readonly number[] {
  return corners.map((corner, i) => {
    const a = corners[i - 1],
      b = corners[i + 1];
    if (!a || !b) return 0;
    const ax = corner[0] - a[0],
      ay = corner[1] - a[1],
      az = corner[2] - a[2],
      bx = b[0] - corner[0],
      by = b[1] - corner[1],
      bz = b[2] - corner[2];
    const cos = (ax * bx + ay * by + az * bz) / (Math.hypot(ax, ay, az) * Math.hypot(bx, by, bz));
    // The tangent of half the turn.
    return radius_mm * Math.sqrt(Math.max(0, 1 - cos) / (1 + cos));
  });
}

const between = (a: Vec, b: Vec, t: number): Vec => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];

/** Whether a straight stretch passes through a box, its faces not counted (slab test). */
function passes(b: { readonly min: Vec; readonly max: Vec }, from: Vec, to: Vec): boolean {
  let enter = 0,
    leave = 1;
  for (let k = 0; k < 3; k += 1) {
    const a = from[k] as number,
      d = (to[k] as number) - a,
      min = (b.min[k] as number) + EPS,
      max = (b.max[k] as number) - EPS;
    if (Math.abs(d) < 1e-12) {
      if (a <= min || a >= max) return false;
      continue;
    }
    const t0 = (min - a) / d,
      t1 = (max - a) / d;
    enter = Math.max(enter, Math.min(t0, t1));
    leave = Math.min(leave, Math.max(t0, t1));
    if (enter >= leave) return false;
  }
  return true;
}
