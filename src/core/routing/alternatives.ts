import type { LaidRoute } from '../design';
import type { System } from '../system';
import { distance, type Box, type Vec } from '../geometry';
import { storedRouteOf } from './laidRoute';
import { pathLength } from './path';
import type { Route, Routed } from './routed';
import { findWay, openEnds } from './single';
import { fixedBodies, workspaceFor } from './standing';
import { tasksOf } from './task';
import { grow, type Obstacle } from './workspace';
import { worthOfRoute } from './worth';

/** Another way of one run past all the others as they lie. */
export interface Alternative {
  readonly route: Route;
  /** As the document would keep it. */
  readonly stored: LaidRoute;
  /** In millimetres of tube by the loop's style. */
  readonly worth_mm: number;
}

/** Ways looked for, and most told. */
const TRIES = 9,
  MOST = 4;
/** A leg where another way lies already is worth so much more each time, mm. */
const TAKEN_MM = 70;
/** Ways whose corners lie within so much of each other are the same, mm. */
const SAME_MM = 12;
/** Corners looked at for each. */
const EFFORT = { most: 2500 };

/**
 * Distinct ways for a run beside the one it has, the best by its style first: each is looked for
 * past all that stands and all other runs, with a toll on the legs of the ways found before. The one
 * it has is first in the list where it has one.
 */
export function alternatives(
  system: System,
  routed: Routed,
  connection: string,
  tell: (done: number, of: number) => boolean = () => true,
): readonly Alternative[] {
  const task = tasksOf(system).find((t) => t.connection === connection);
  if (!task || task.walled) return [];
  const now = routed.routes.find((r) => r.connection === connection);
  const others = routed.routes.filter((r) => r.connection !== connection);
  const fixed = fixedBodies(system);
  const froms = openEnds(system, task, 'from', fixed, others, true),
    tos = openEnds(system, task, 'to', fixed, others, true);
  const kept = system.design.brief.limits.clear_mm;
  const room = workspaceFor(system, task, fixed, [], others, [...froms, ...tos], kept, null);
  const found: Route[] = now ? [now] : [];
  const tolls: Obstacle[] = now ? tollsOn(now) : [];
  for (let i = 0; i < TRIES && found.length < MOST && tell(i, TRIES); i += 1) {
    const workspace = { ...room, blocks: [...room.blocks, ...tolls] };
    const { radius_mm } = task.limits;
    const way = findWay(task, workspace, froms, tos, others, kept, radius_mm, EFFORT);
    if (!way) break;
    tolls.push(...tollsOn(way));
    if (!found.some((f) => isSame(f, way))) found.push(way);
  }
  return found
    .map((route) => ({
      route,
      stored: storedRouteOf(route),
      worth_mm: worthOfRoute(task.loop, route),
    }))
    .sort((a, b) => Number(b.route === now) - Number(a.route === now) || a.worth_mm - b.worth_mm);
}

/** A toll on every leg of a way but for its ends. */
function tollsOn({ corners, connection }: Route): Obstacle[] {
  return corners.slice(1).map((to, i) => {
    const from = corners[i] as Vec;
    const middle: Box = {
      min: [0, 1, 2].map((k) => Math.min(from[k as 0], to[k as 0])) as unknown as Vec,
      max: [0, 1, 2].map((k) => Math.max(from[k as 0], to[k as 0])) as unknown as Vec,
    };
    return { id: `taken:${connection}`, ...grow(middle, SAME_MM), penalty: TAKEN_MM };
  });
}

/** Whether two ways lie within a hand's breadth of each other, corner by corner. */
function isSame(a: Route, b: Route): boolean {
  return (
    a.corners.length === b.corners.length &&
    Math.abs(pathLength(a.path) - pathLength(b.path)) < SAME_MM &&
    a.corners.every((c, i) => distance(c, b.corners[i] as Vec) < SAME_MM)
  );
}
