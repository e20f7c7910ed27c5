import type { System } from '../system';
import { bodyGap, boxGap, pairMemo, type Body, type Box, type Vec } from '../geometry';
import { samplePath } from './path';
import { radiusOf, type Nearest, type Route } from './routed';

/** Things farther off are not told, and points looked at so far apart, mm. */
const NEAR_MM = 60;
const STEP_MM = 4;

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
  const points = samplePath(path, STEP_MM);
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
 * Least gap from the points of a tube to a body; points whose box is farther off than the best so
 * far are passed over.
 */
const gapToBody = pairMemo(({ points }: SampledTube, body: Body): number => {
  let least = Infinity;
  for (const p of points) {
    const at = { min: p, max: p };
    if (boxGap(at, body.box) < least) least = Math.min(least, bodyGap({ box: at }, body));
  }
  return least;
});

/** Least distance between the middle lines of two tubes. */
const gapBetween = pairMemo((a: SampledTube, b: SampledTube): number =>
  Math.sqrt(leastSquare(a.points, b.points)),
);

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
