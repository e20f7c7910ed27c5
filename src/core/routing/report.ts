import type { System } from '../system';
import { nearestTo } from './nearest';
import type { Route, RouteReport } from './routed';
import type { Task } from './task';
import { visibilityOf } from './visibility';

/** What is told of a run once all lie: the nearest thing to it, and what is seen of it. */
export const reportOf = (
  system: System,
  route: Route,
  all: readonly Route[],
  ends: readonly string[],
): RouteReport => ({
  nearest: nearestTo(system, route, all, ends),
  visibility: visibilityOf(system, route, all, ends),
});

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
