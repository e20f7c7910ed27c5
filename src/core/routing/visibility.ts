import { type Component, findComponent, type ComponentId } from '../design';
import type { System } from '../system';
import { boxGap, pairMemo, union, type Box, type Vec } from '../geometry';
import { sampleTube, type SampledTube } from './nearest';
import { samplePath } from './path';
import { grow, within, type Obstacle } from './workspace';
import { radiusOf, type Visibility, type Route } from './routed';
import type { Task } from './task';

/** A slanting tube is told in pieces so long, mm. */
const PIECE_MM = 30;

/**
 * Whether the builder wants a part seen through the glass: as it was set, else reservoirs and the
 * blocks that a board carries.
 */
export const isShown = ({ part, settings }: Component): boolean =>
  settings.keepVisible ??
  (part.kind === 'reservoir' || (part.kind === 'block' && !part.cools.includes('card')));

/** Room between a part that is shown and the glass, by its component. */
function zonesBefore(
  system: System,
): readonly { readonly component: ComponentId; readonly box: Box }[] {
  const { interior } = system;
  return interior === null
    ? []
    : [...system.placed.values()].flatMap((p) => {
        const component = findComponent(system.design, p.id);
        if (!component || !isShown(component) || p.solids.length === 0) return [];
        const { min, max } = union(p.solids.map((s) => s.box));
        return max[2] < interior.max[2]
          ? [
              {
                component: p.id,
                box: {
                  min: [min[0], min[1], max[2]] as const,
                  max: [max[0], max[1], interior.max[2]] as const,
                },
              },
            ]
          : [];
      });
}

/** A tube as it is seen through the glass: its legs, as deep as the case. */
function silhouette(route: Route, low: number, high: number): readonly Box[] {
  const { corners } = route;
  return corners.slice(1).flatMap((to, i) => {
    const from = corners[i] as Vec,
      square = ([0, 1, 2] as const).filter((a) => Math.abs(to[a] - from[a]) > 1e-6).length <= 1;
    const points = square ? [from, to] : samplePath([{ kind: 'line', from, to }], PIECE_MM);
    return points.slice(1).map((p, k): Box => {
      const q = points[k] as Vec;
      return {
        min: [Math.min(p[0], q[0]), Math.min(p[1], q[1]), low],
        max: [Math.max(p[0], q[0]), Math.max(p[1], q[1]), high],
      };
    });
  });
}

/**
 * What a run should keep out of where it can: the view of what is shown, and of the other loops'
 * tubes. What its own ports stand in is left out.
 */
export function viewBlocks(
  system: System,
  t: Task,
  others: readonly Route[],
  radiusOf: (r: Route) => number,
): readonly Obstacle[] {
  const { interior } = system;
  if (!interior || t.prices.view_mm === 0) return [];
  const clear = (b: Obstacle): boolean => !within(b, t.from.at) && !within(b, t.to.at);
  const before = zonesBefore(system)
    .filter((z) => z.component !== t.from.component && z.component !== t.to.component)
    .map((z): Obstacle => ({
      id: `before:${z.component}`,
      ...grow(z.box, t.radius),
      penalty: t.prices.view_mm,
      preference: true,
    }));
  const weave = others
    .filter((o) => o.loop !== t.loop.id)
    .flatMap((o) =>
      silhouette(o, interior.min[2], interior.max[2]).map((b): Obstacle => ({
        id: `weave:${o.connection}`,
        ...grow(b, radiusOf(o) + t.radius),
        penalty: t.prices.view_mm,
        preference: true,
      })),
    );
  return [...before, ...weave].filter(clear);
}

/**
 * What a way pays for being in view, as the search counts it: each leg, and each bend, for every
 * such place it meets. Weighs a way that was found while other runs lay otherwise.
 */
export function tasteOf(
  blocks: readonly Obstacle[],
  { corners, path }: Pick<Route, 'corners' | 'path'>,
): number {
  const bends = path.filter((s) => s.kind === 'arc').map((s) => samplePath([s], 8));
  return blocks.reduce(
    (sum, b) =>
      b.preference
        ? sum +
          b.penalty *
            (corners.slice(1).filter((to, i) => meetsBox(corners[i] as Vec, to, b)).length +
              bends.filter((points) => points.slice(1, -1).some((p) => within(b, p))).length)
        : sum,
    0,
  );
}

/**
 * Whether the line between two points passes through the inside of a box (slabs; Kay & Kajiya
 * 1986).
 */
function meetsBox(from: Vec, to: Vec, { min, max }: Box): boolean {
  let enter = 0,
    leave = 1;
  for (const a of [0, 1, 2] as const) {
    const d = to[a] - from[a],
      low = min[a] + EPS - from[a],
      high = max[a] - EPS - from[a];
    if (Math.abs(d) < EPS) {
      if (low > 0 || high < 0) return false;
      continue;
    }
    enter = Math.max(enter, Math.min(low / d, high / d));
    leave = Math.min(leave, Math.max(low / d, high / d));
  }
  return enter < leave;
}
const EPS = 1e-6;

/** Nearest that two tubes come to each other as seen through the glass, mm. */
const seenApart = pairMemo((a: SampledTube, b: SampledTube): number => {
  let least = Infinity;
  for (const [x, y] of a.points)
    for (const q of b.points) {
      const dx = x - q[0];
      const dy = y - q[1];
      const d = dx * dx + dy * dy;
      if (d < least) least = d;
    }
  return Math.sqrt(least);
});

/** Whether the boxes round two tubes overlap as seen through the glass, once grown by so much. */
const mayCover = (a: Box, b: Box, by: number): boolean =>
  ([0, 1] as const).every((i) => a.min[i] - by < b.max[i] && b.min[i] - by < a.max[i]);

/**
 * Seen through the glass a tube covers what lies behind it, and crosses what lies on either side of
 * it. Its own two parts never count.
 */
export function visibilityOf(
  system: System,
  route: Route,
  all: readonly Route[],
  ends: readonly string[],
): Visibility {
  if (!system.interior) return { crosses: [], before: [] };
  const own = radiusOf(system, route);
  const tube = sampleTube(route.path);
  const covers = (other: Route): boolean => {
    const theirs = sampleTube(other.path);
    const near = own + radiusOf(system, other) - 1;
    return mayCover(tube.bounds, theirs.bounds, near) && seenApart(tube, theirs) < near;
  };
  const meets = (box: Box): boolean => {
    const grown = grow(box, own - 0.5);
    return boxGap(tube.bounds, grown) <= 0 && tube.points.some((p) => within(grown, p));
  };
  const crosses = all.filter((o) => o.loop !== route.loop && covers(o)).map((o) => o.connection);
  const before = zonesBefore(system).filter((z) => !ends.includes(z.component) && meets(z.box));
  return { crosses, before: before.map((z) => z.component) };
}
