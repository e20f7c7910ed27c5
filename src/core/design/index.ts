export {
  differences,
  mergeDesigns,
  withTheirs,
  type Clash,
  type Difference,
  type DocumentPath,
  type Merged,
} from './merge';
export { looseReferences, type LooseReference } from './references';
export { BUILD_BYTES, BUILD_FORMAT, BUILD_VERSION, UPS } from './types';
export type {
  ComponentId,
  ConnectionId,
  LoopId,
  MountId,
  PortId,
  Brief,
  Design,
  Cap,
  CapDuty,
  Control,
  EndPiece,
  Component,
  Kit,
  KitDuty,
  LaidEnd,
  LaidRoute,
  Layout,
  NoRouteFound,
  Pose,
  Connection,
  RouteConstraints,
  LoadStep,
  Loop,
  OrderMark,
  Placement,
  PortRef,
  TestBend,
  AirReading,
  AirTest,
  DoneMark,
  Factors,
  Measured,
  Order,
  Reading,
  ServiceMark,
  Work,
  WorkPlan,
  Settings,
  Turn,
  Up,
  Via,
} from './types';
export {
  applyEdit,
  EditError,
  type Applied,
  type Edit,
  type EditKind,
  type PatchEdit,
} from './edits';
export { DEFAULT_BRIEF, emptyDesign, EMPTY_LAYOUT } from './empty';
export {
  componentName,
  componentsById,
  findComponent,
  freeId,
  loopOfComponent,
  samePort,
} from './find';
export { AS_PRINTED, factorsOf, withFactors } from './measured';
export { withoutRoutes } from './withoutRoutes';
export { migrate } from './migrate';
