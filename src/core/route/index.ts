export { leastCost, routeAll, routeOne } from './negotiate';
export { laidOf, ROUTER_VERSION } from './laid';
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
export { inView, isShown } from './view';
export { endWays, sideways, type EndBody, type EndWay } from './ends';
export { hardWay, BEND_COST, type TubeLimits } from './hard';
export { placePieces, type Frames } from './pieces';
export { softWay } from './soft';
export { onArc, pathLength, roundedPath, samplePath, turnBetween } from './path';
export { withLegAt } from './via';
export { cheapestPath, type Found, type Problem } from './search';
export type { Block, Room } from './room';
export { routedRunOf, routedRuns, runsOf } from './runs';
export { rerouteRun, sameSpace } from './build';
