import type { System } from '../system';
import type { Vec } from '../geometry';
import type { LyingTube, Segment } from '../tubing';
import { asItLies } from './asItLies';
import { nearestTo } from './nearest';
import { isClipped, tubeOf, type Route, type RouteReport } from './routed';
import type { Task } from './task';
import { visibilityOf } from './visibility';

/** What is told of a run once all lie: the nearest thing to it, and what is seen of it. */
export function reportOf(
  system: System,
  route: Route,
  all: readonly Route[],
  ends: readonly string[],
): RouteReport {
  let lies: { readonly is: LyingTube | null } | null = null;
  return {
    nearest: nearestTo(system, route, all, ends),
    visibility: visibilityOf(system, route, all, ends),
    // Asked for by few: worked out for them.
    get lies() {
      return (lies ??= { is: lyingOf(system, route, all, ends) }).is;
    },
  };
}

/** A soft tube that only its fittings hold, with what it then comes near. */
function lyingOf(
  system: System,
  route: Route,
  all: readonly Route[],
  ends: readonly string[],
): LyingTube | null {
  const tube = tubeOf(system, route);
  const lies = tube && !isClipped(system, route) ? asItLies(tube, route.path) : null;
  if (!lies) return null;
  const path = lies.points
    .slice(1)
    .map((to, i): Segment => ({ kind: 'line', from: lies.points[i] as Vec, to }));
  return { ...lies, nearest: nearestTo(system, { ...route, path }, all, ends) };
}

/** Routes with what is told of each: its nearest neighbour, and what is seen of it. */
export function withReports(
  system: System,
  tasks: readonly Task[],
  routes: readonly Route[],
): readonly Route[] {
  return routes.map((route) => {
    const task = tasks.find((t) => t.connection === route.connection);
    const ends = task ? [task.from.component, task.to.component] : [];
    let reported: RouteReport | null = null;
    return {
      ...route,
      // Worked out when it is asked for: flow and lists never do.
      get reported(): RouteReport {
        return (reported ??= reportOf(system, route, routes, ends));
      },
    };
  });
}
