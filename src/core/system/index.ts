export { compileSystem } from './compileSystem';
export { frameSheet, outsideOf, standOffs, trayBoxes } from './shell';
export { facing, JOINT_ASIDE_MM, spans, type Facing } from './facing';
export { footOf, movedBy, slideRange } from './moved';
export {
  nodeOf,
  type GraphEdge,
  type Leg,
  type LoopGraph,
  type LoopLayout,
  type System,
  type PlacedComponent,
  type PlacedPort,
  type Solid,
  type Visit,
} from './types';
