import type { System } from '../system';
import { bodyGap, boxGap, distance, pairMemo, type Body, type Box, type Vec } from '../geometry';
import { samplePath } from './path';
import { radiusOf, type Nearest, type Route } from './routed';

/** Things farther off are not told, and points looked at so far apart, mm. */
const NEAR_MM = 60;
const STEP_MM = 4;
/** On bends, where a chord lies inside its arc. */
const ARC_STEP_MM = 1.5;

/** A tube as points along its middle line, with the box round them. */
export interface SampledTube {
  readonly points: readonly Vec[];
  readonly bounds: Box;
}

const sampled = new WeakMap<Route['path'], SampledTube>();

/** The points of a route, worked out once. */
export function sampleTube(path: Route['path']): SampledTube {
  const known = sampled.get(path);
  if (known) return known;
  const points = path.flatMap((s, i) =>
    samplePath([s], s.kind === 'arc' ? ARC_STEP_MM : STEP_MM).slice(i === 0 ? 0 : 1),
  );
  const tube = { points, bounds: boundsOf(points) };
  sampled.set(path, tube);
  return tube;
}

/** Something a tube may come near: the least its gap can be is known before it is measured. */
interface Candidate {
  readonly id: string;
  readonly least_mm: number;
  measure(): number;
}

/**
 * The nearest thing to a tube along its way, but the two parts it joins (`ends`); null when nothing
 * is near.
 */
export function nearestTo(
  system: System,
  route: Route,
  all: readonly Route[],
  ends: readonly string[],
): Nearest | null {
  const tube = sampleTube(route.path);
  const radius = radiusOf(system, route);
  const candidates = [
    ...bodiesNear(system, tube, radius, ends),
    ...tubesNear(system, tube, radius, route, all),
  ];
  candidates.sort((a, b) => a.least_mm - b.least_mm);
  let best: Nearest | null = null;
  for (const { id, least_mm, measure } of candidates) {
    if (best && least_mm >= best.gap_mm) break;
    const gap_mm = measure();
    if (gap_mm <= NEAR_MM && (!best || gap_mm < best.gap_mm)) best = { component: id, gap_mm };
  }
  return best;
}

function bodiesNear(
  system: System,
  tube: SampledTube,
  radius: number,
  ends: readonly string[],
): readonly Candidate[] {
  const near: Candidate[] = [];
  const look = (id: string, body: Body): void => {
    const least_mm = boxGap(tube.bounds, body.box) - radius;
    if (least_mm <= NEAR_MM)
      near.push({ id, least_mm, measure: () => gapToBody(tube, body) - radius });
  };
  for (const { id, solids } of system.placed.values())
    if (!ends.includes(id)) for (const solid of solids) look(id, solid);
  for (const obstacle of system.obstacles) look(obstacle.component, obstacle);
  return near;
}

function tubesNear(
  system: System,
  tube: SampledTube,
  radius: number,
  route: Route,
  all: readonly Route[],
): readonly Candidate[] {
  return all.flatMap((other): Candidate[] => {
    if (other.connection === route.connection) return [];
    const theirs = sampleTube(other.path);
    const both = radius + radiusOf(system, other);
    const least_mm = boxGap(tube.bounds, theirs.bounds) - both;
    if (least_mm > NEAR_MM) return [];
    const measure = (): number => gapBetween(tube, theirs) - both;
    return [{ id: other.connection, least_mm, measure }];
  });
}

/**
 * Least gap from a tube's middle line to a body: points whose box is farther off than the best so
 * far are passed over, then the stretches on both sides of the nearest are searched.
 */
export const gapToBody = pairMemo(({ points }: SampledTube, body: Body): number => {
  const gapAt = (p: Vec): number => bodyGap({ box: { min: p, max: p } }, body);
  let least = Infinity,
    nearest = -1;
  for (const [i, p] of points.entries()) {
    if (boxGap({ min: p, max: p }, body.box) >= least) continue;
    const gap = gapAt(p);
    if (gap >= least) continue;
    least = gap;
    nearest = i;
  }
  for (const [a, b] of stretchesAt(points, nearest)) least = Math.min(least, leastOn(a, b, gapAt));
  return least;
});

/** Least distance between the middle lines of two tubes, the stretches at the nearest points searched. */
export const gapBetween = pairMemo((a: SampledTube, b: SampledTube): number => {
  const { at, square } = leastSquare(a.points, b.points);
  let least = Math.sqrt(square);
  for (const [p, q] of stretchesAt(a.points, at[0]))
    for (const [r, s] of stretchesAt(b.points, at[1]))
      least = Math.min(
        least,
        leastOn(p, q, (x) => leastOn(r, s, (y) => distance(x, y))),
      );
  return least;
});

/** The straight pieces before and after a point. */
const stretchesAt = (points: readonly Vec[], i: number): readonly (readonly [Vec, Vec])[] =>
  [i - 1, i].flatMap((k): (readonly [Vec, Vec])[] => {
    const a = points[k],
      b = points[k + 1];
    return a && b ? [[a, b]] : [];
  });

/** Steps of a search by thirds: 4 mm come down to less than a hundredth. */
const THIRDS = 18;

/** The least value on a stretch, of one that falls and rises once (ternary search). */
function leastOn(a: Vec, b: Vec, of: (p: Vec) => number): number {
  let low = 0,
    high = 1;
  const at = (t: number): number =>
    of([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]);
  for (let i = 0; i < THIRDS; i += 1) {
    const t = low + (high - low) / 3,
      u = high - (high - low) / 3;
    if (at(t) < at(u)) high = u;
    else low = t;
  }
  return at((low + high) / 2);
}

function boundsOf(points: readonly Vec[]): Box {
  const min: [number, number, number] = [Infinity, Infinity, Infinity];
  const max: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const p of points)
    for (const i of [0, 1, 2] as const) {
      min[i] = Math.min(min[i], p[i]);
      max[i] = Math.max(max[i], p[i]);
    }
  return { min, max };
}

/** Least squared distance between two rows of points, mm², and where it is. */
function leastSquare(
  a: readonly Vec[],
  b: readonly Vec[],
): { readonly square: number; readonly at: readonly [number, number] } {
  let square = Infinity,
    i = -1,
    k = -1;
  for (const [n, [x, y, z]] of a.entries())
    for (const [m, q] of b.entries()) {
      const dx = x - q[0];
      const dy = y - q[1];
      const dz = z - q[2];
      const d = dx * dx + dy * dy + dz * dz;
      if (d >= square) continue;
      square = d;
      i = n;
      k = m;
    }
  return { square, at: [i, k] };
}
