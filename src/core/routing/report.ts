import type { System } from '../system';
import { nearestTo } from './nearest';
import type { Route, RouteReport } from './routed';
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
