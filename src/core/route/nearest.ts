import type { Model } from '../model';
import { bodyGap, boxGap, type Body, type Box, type Vec } from '../shape';
import { samplePath } from './path';
import { radiusOf, type Nearest, type Route } from './routed';

/** Things farther off are not told, and points looked at so far apart, mm. */
const NEAR_MM = 60,
  STEP_MM = 4;

interface Thing {
  readonly id: string;
  readonly body: Body;
}

/** The nearest thing to a tube along its way, but the two parts it joins (`ends`); null when nothing is near. */
export function nearestTo(
  model: Model,
  route: Route,
  all: readonly Route[],
  ends: readonly string[],
): Nearest | null {
  const points = samplePath(route.path, STEP_MM),
    own = boundsOf(points),
    r = radiusOf(model, route);
  let best: Nearest | null = null;
  const meet = (item: string, gap_mm: number): void => {
    if (gap_mm <= NEAR_MM && (!best || gap_mm < best.gap_mm)) best = { item, gap_mm };
  };
  const things: readonly Thing[] = [
    ...[...model.placed.values()].flatMap((p) =>
      p.solids.map((s): Thing => ({ id: p.item.id, body: s })),
    ),
    ...model.obstacles.map((o): Thing => ({ id: o.item, body: o })),
  ];
  for (const { id, body } of things) {
    if (ends.includes(id) || boxGap(own, body.box) > NEAR_MM + r) continue;
    for (const p of points) {
      const at = { min: p, max: p };
      if (boxGap(at, body.box) <= NEAR_MM + r) meet(id, bodyGap({ box: at }, body) - r);
    }
  }
  for (const o of all) {
    if (o.link === route.link) continue;
    const theirs = samplePath(o.path, STEP_MM),
      ro = radiusOf(model, o);
    if (boxGap(own, boundsOf(theirs)) <= NEAR_MM + r + ro)
      meet(o.link, Math.sqrt(leastSquare(points, theirs)) - r - ro);
  }
  return best;
}

function boundsOf(points: readonly Vec[]): Box {
  const min = [Infinity, Infinity, Infinity],
    max = [-Infinity, -Infinity, -Infinity];
  for (const p of points)
    for (let i = 0; i < 3; i += 1) {
      const v = p[i as 0];
      if (v < (min[i] as number)) min[i] = v;
      if (v > (max[i] as number)) max[i] = v;
    }
  return { min: min as unknown as Vec, max: max as unknown as Vec };
}

/** Least squared distance between two rows of points, mm². */
function leastSquare(a: readonly Vec[], b: readonly Vec[]): number {
  let least = Infinity;
  for (const [x, y, z] of a)
    for (const q of b) {
      const dx = x - q[0],
        dy = y - q[1],
        dz = z - q[2],
        d = dx * dx + dy * dy + dz * dz;
      if (d < least) least = d;
    }
  return least;
}
