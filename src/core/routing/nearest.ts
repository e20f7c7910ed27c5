import type { System } from '../system';
import {
  add,
  bodyGap,
  boxGap,
  distance,
  dot,
  pairMemo,
  scale,
  sub,
  type Body,
  type Box,
  type Vec,
} from '../geometry';
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
 * Least gap from a tube's middle line to a body: first from point to point, from the one whose box
 * is nearest, those whose box is farther off than the best so far passed over; then along every
 * stretch that could be nearer than its ends.
 */
export const gapToBody = pairMemo(({ points }: SampledTube, body: Body): number => {
  const gapAt = (p: Vec): number => bodyGap({ box: { min: p, max: p } }, body);
  const bounds = points.map((p) => boxGap({ min: p, max: p }, body.box));
  const nearest = bounds.indexOf(Math.min(...bounds));
  let least = gapAt(points[nearest] as Vec);
  for (const [i, p] of points.entries())
    if ((bounds[i] as number) < least) least = Math.min(least, gapAt(p));
  for (let i = 0; i + 1 < points.length; i += 1) {
    const [p, q] = [points[i] as Vec, points[i + 1] as Vec];
    const reach = distance(p, q) / 2;
    const middle: Vec = [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2, (p[2] + q[2]) / 2];
    if (boxGap({ min: middle, max: middle }, body.box) - reach >= least) continue;
    // The distance to a convex body is convex along a line: from one end past the middle it falls
    // no faster than to the middle.
    const halfWay = gapAt(middle);
    if (Math.min(halfWay, 2 * halfWay - Math.max(gapAt(p), gapAt(q))) >= least) continue;
    least = Math.min(least, halfWay, leastOn(p, q, gapAt));
  }
  return least;
});

/** Least distance between the middle lines of two tubes, stretch by stretch where it could be. */
export const gapBetween = pairMemo((a: SampledTube, b: SampledTube): number => {
  let least = Math.sqrt(leastSquare(a.points, b.points));
  const near = (least + 2 * STEP_MM) ** 2;
  for (let i = 0; i + 1 < a.points.length; i += 1)
    for (let k = 0; k + 1 < b.points.length; k += 1) {
      const [p, q] = [a.points[i] as Vec, b.points[k] as Vec];
      if ((p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2 + (p[2] - q[2]) ** 2 > near) continue;
      least = Math.min(least, apart(p, a.points[i + 1] as Vec, q, b.points[k + 1] as Vec));
    }
  return least;
});

/** Least distance between two straight stretches (Ericson 2004, closest points of segments). */
function apart(p1: Vec, q1: Vec, p2: Vec, q2: Vec): number {
  const d1 = sub(q1, p1),
    d2 = sub(q2, p2),
    r = sub(p1, p2);
  const a = dot(d1, d1),
    e = dot(d2, d2),
    f = dot(d2, r),
    c = dot(d1, r),
    b = dot(d1, d2);
  const clamp = (v: number): number => Math.max(0, Math.min(1, v));
  const rest = a * e - b * b;
  let s = rest > 1e-12 ? clamp((b * f - c * e) / rest) : 0;
  const t = clamp((b * s + f) / e);
  s = clamp((b * t - c) / a);
  return distance(add(p1, scale(d1, s)), add(p2, scale(d2, t)));
}

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

export function boundsOf(points: readonly Vec[]): Box {
  const min: [number, number, number] = [Infinity, Infinity, Infinity];
  const max: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const p of points)
    for (const i of [0, 1, 2] as const) {
      min[i] = Math.min(min[i], p[i]);
      max[i] = Math.max(max[i], p[i]);
    }
  return { min, max };
}

/** Least squared distance between two rows of points, mm². */
function leastSquare(a: readonly Vec[], b: readonly Vec[]): number {
  let least = Infinity;
  for (const [x, y, z] of a)
    for (const q of b) {
      const dx = x - q[0];
      const dy = y - q[1];
      const dz = z - q[2];
      const d = dx * dx + dy * dy + dz * dz;
      if (d < least) least = d;
    }
  return least;
}
