import { boxCentre, type Box } from './box';
import { axisOf, type Body, type Cylinder } from './cylinder';
import { distance, type Vec } from './vec';

const clamp = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v));

/** The point of a box that is nearest to a point, mm. */
export const nearestInBox = (p: Vec, { min, max }: Box): Vec => [
  clamp(p[0], min[0], max[0]),
  clamp(p[1], min[1], max[1]),
  clamp(p[2], min[2], max[2]),
];

/** The point of an upright cylinder that is nearest to a point, mm: along its axis, then aside. */
export function nearestInCylinder(p: Vec, c: Cylinder): Vec {
  const axis = axisOf(c);
  const [u, v] = ([0, 1, 2] as const).filter((i) => i !== axis) as [0 | 1 | 2, 0 | 1 | 2];
  const du = p[u] - c.from[u],
    dv = p[v] - c.from[v];
  const out = Math.hypot(du, dv);
  const share = out > c.radius ? c.radius / out : 1;
  const at: [number, number, number] = [0, 0, 0];
  at[axis] = clamp(p[axis], Math.min(c.from[axis], c.to[axis]), Math.max(c.from[axis], c.to[axis]));
  at[u] = c.from[u] + du * share;
  at[v] = c.from[v] + dv * share;
  return at;
}

const nearestIn = (p: Vec, body: Body): Vec =>
  body.cylinder ? nearestInCylinder(p, body.cylinder) : nearestInBox(p, body.box);

/** Rounds of the search, and the step at which it stands still, mm. */
const MOST_ROUNDS = 400,
  STILL_MM = 1e-6;

/**
 * The two points, one of each body, that are nearest to each other, mm; of bodies that overlap, one
 * point of both. By projections back and forth, which end at the nearest pair of two convex sets
 * (Cheney and Goldstein 1959).
 */
export function closestPoints(a: Body, b: Body): readonly [Vec, Vec] {
  let onB = boxCentre(b.box);
  let onA = nearestIn(onB, a);
  for (let i = 0; i < MOST_ROUNDS; i += 1) {
    const next = nearestIn(onA, b);
    const moved = distance(next, onB);
    onB = next;
    onA = nearestIn(onB, a);
    if (moved < STILL_MM) break;
  }
  return [onA, onB];
}
