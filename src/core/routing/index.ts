export { leastCost, rerouteRun, routeAll, routeOne } from './negotiate';
export { storedRouteOf, ROUTER_VERSION } from './laidRoute';
export {
  improvement,
  layoutEdit,
  rerouteEdit,
  routeDesign,
  staleRuns,
  withRoutes,
  type Improvement,
} from './layout';
export { routedDesign, routesOf, unroutedRuns, withFrames, type RoutedDesign } from './laid';
export type { Visibility, Nearest, NoRoute, Route, Routed } from './routed';
export { betweenBends, STRAIGHT_MM, taskFor, type Task } from './task';
export { chainsOf, unthreaded } from './chains';
export { costBetween, leastBetween } from './between';
export { fixedBodies, type Fixed } from './standing';
export { pricesOf, styleOf, type RoutePrices } from './prices';
export { meetsItself, winds } from './selfGap';
export { routeFewBends } from './fewBends';
export { visibilityOf, isShown } from './visibility';
export { endWays, sideways, type EndBody, type EndWay } from './ends';
export { routeRigid, type TubeLimits } from './rigidRoute';
export { placePieces, type Frames } from './pieces';
export { jogAngle } from './offsetBend';
export { routeFlexible } from './flexibleRoute';
export { middleLine } from './middleLine';
export { pathLength, placeAlong, roundedPath, samplePath, turnBetween } from './path';
export { crossingsOf, tidinessOf, type RunTidiness, type Tidiness } from './tidiness';
export { worthOfRoute } from './worth';
export { inTheWayWords, wayOutWords } from './wayOut';
export { inTheWayOf, type InTheWay } from './reason';
export { asItLies, modulusOf, sagBetween } from './asItLies';
export { clipReason, type ClipReason } from './clipReason';
export { alternatives, type Alternative } from './alternatives';
export { gripsOf, withLegAt, withMoved, type Grip, type Hold } from './holds';
export { cheapestPath, type Found, type Problem } from './search';
export type { Obstacle, Workspace } from './workspace';
export { routedRunOf, routedRuns, runsOf } from './runs';
export { sameSpace } from './sameSpace';
