export { leastCost, routeAll, routeOne } from './negotiate';
export { laidOf, ROUTER_VERSION } from './laidRoute';
export {
  improvement,
  layoutEdit,
  rerouteEdit,
  routeBuild,
  routedBuild,
  routesOf,
  staleRuns,
  unroutedRuns,
  withFrames,
  withRoutes,
  type Improvement,
  type RoutedBuild,
} from './layout';
export type { InView, Nearest, NoRoute, Route, Routed } from './routed';
export { BETWEEN_MM, STRAIGHT_MM } from './task';
export { inView, isShown } from './visibility';
export { endWays, sideways, type EndBody, type EndWay } from './ends';
export { hardWay, BEND_COST, type TubeLimits } from './rigidRoute';
export { placePieces, type Frames } from './pieces';
export { softWay } from './flexibleRoute';
export { onArc, pathLength, roundedPath, samplePath, turnBetween } from './path';
export { withLegAt } from './waypoints';
export { cheapestPath, type Found, type Problem } from './search';
export type { Block, Room } from './workspace';
export { routedRunOf, routedRuns, runsOf } from './runs';
export { rerouteRun, sameSpace } from './build';
