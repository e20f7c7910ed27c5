import type { Box, Vec } from '../shape';

/** Something a tube's middle line must keep out of, already grown by the tube's radius and the distance kept. */
export interface Block { readonly id: string; readonly min: Vec; readonly max: Vec; /** What it costs to pass through; Infinity: never. */ readonly toll: number }

/** The room a middle line may use. */
export interface Room { readonly bounds: Box; readonly blocks: readonly Block[] }

const EPS = 1e-6;

export const grow = (box: Box, by: number): Box => ({ min: [box.min[0] - by, box.min[1] - by, box.min[2] - by], max: [box.max[0] + by, box.max[1] + by, box.max[2] + by] });
export const within = (b: { readonly min: Vec; readonly max: Vec }, p: Vec): boolean => p[0] > b.min[0] + EPS && p[0] < b.max[0] - EPS && p[1] > b.min[1] + EPS && p[1] < b.max[1] - EPS && p[2] > b.min[2] + EPS && p[2] < b.max[2] - EPS;
export const insideOf = (b: Box, p: Vec): boolean => p[0] >= b.min[0] - EPS && p[0] <= b.max[0] + EPS && p[1] >= b.min[1] - EPS && p[1] <= b.max[1] + EPS && p[2] >= b.min[2] - EPS && p[2] <= b.max[2] + EPS;

type Axis = 0 | 1 | 2;

/** How far a ray along an axis gets, mm, and the tolls on its way, nearest first. */
export interface Reach { readonly free_mm: number; readonly tolls: readonly { readonly at_mm: number; readonly toll: number }[] }

export function reachOf({ bounds, blocks }: Room, from: Vec, axis: Axis, sign: 1 | -1): Reach {
  const u = axis === 0 ? 1 : 0, v = axis === 2 ? 1 : 2, x = from[axis], pu = from[u], pv = from[v];
  let free = sign > 0 ? bounds.max[axis] - x : x - bounds.min[axis];
  const tolls: { at_mm: number; toll: number }[] = [];
  for (const b of blocks) {
    if (pu <= b.min[u] + EPS || pu >= b.max[u] - EPS || pv <= b.min[v] + EPS || pv >= b.max[v] - EPS) continue;
    // Where the ray enters; below 0 when it stands inside already.
    const enter = sign > 0 ? b.min[axis] - x : x - b.max[axis], leave = sign > 0 ? b.max[axis] - x : x - b.min[axis];
    if (leave <= EPS) continue;
    if (b.toll === Infinity) free = Math.min(free, Math.max(0, enter));
    else tolls.push({ at_mm: Math.max(0, enter), toll: b.toll });
  }
  return { free_mm: free, tolls: tolls.length > 1 ? tolls.sort((a, b) => a.at_mm - b.at_mm) : tolls };
}

/** Toll of a row of points: Infinity where one is in a wall or outside; a block passed is paid once. */
export function tollOf({ bounds, blocks }: Room, points: readonly Vec[]): number {
  let toll = 0;
  for (const p of points) if (!insideOf(bounds, p)) return Infinity;
  for (const b of blocks) {
    for (const p of points) {
      if (!within(b, p)) continue;
      if (b.toll === Infinity) return Infinity;
      toll += b.toll;
      break;
    }
  }
  return toll;
}
