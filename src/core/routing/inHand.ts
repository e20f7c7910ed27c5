import type { System } from '../system';
import { canFollow, followed } from './followed';
import type { Route } from './routed';
import { closedFormOf, KEPT_MM, routeOver } from './single';
import { workspaceFor, type Fixed } from './standing';
import type { Task } from './task';

/** A run as it lies in the hand, and whether it meets nothing there. */
export interface InHand {
  readonly route: Route;
  readonly isFree: boolean;
}

/** Whether a run keeps up with a hand: hard tube whose places to pass are planes and points. */
export const keepsUp = ({ loop, constraints: { waypoints = [] } }: Task): boolean =>
  loop.tube.hard && waypoints.length > 0 && canFollow(waypoints);

/**
 * A run that keeps up with a hand (`keepsUp`), in its planes, from the way it lay before and with
 * the same fittings: past all that stands where that can be, else as it would lie. Milliseconds;
 * searches nothing. Null where its legs are too short for that.
 */
export function routeInHand(
  system: System,
  task: Task,
  fixed: readonly Fixed[],
  others: readonly Route[],
  was: Route,
): InHand | null {
  const { clear_mm } = system.design.brief.limits;
  const { radius_mm } = task.limits;
  let blocked: InHand | null = null;
  for (const kept of [clear_mm, ...KEPT_MM.filter((mm) => mm < clear_mm)]) {
    const ends = [was.from, was.to];
    const workspace = workspaceFor(system, task, fixed, [], others, ends, kept, null);
    const asked = closedFormOf(task, workspace, others, radius_mm);
    const found = followed(was, task.constraints.waypoints ?? [], asked);
    if (!found) return null;
    const route = routeOver(task, workspace, found.way, radius_mm, kept);
    if (found.isFree) return { route, isFree: true };
    blocked = { route, isFree: false };
  }
  return blocked;
}
