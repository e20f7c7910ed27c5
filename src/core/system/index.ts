export { compileSystem, withDesign, withGuests, withKnown } from './compileSystem';
export type { Mate, MateKind, Mates } from './mates';
export { label, labelOf, nameless, namesOf, sameNames, solidLabel, type Names } from './labels';
export { frameSheet, outsideOf, standOffs, trayBoxes } from './shell';
export { heightOf, heightsOf } from './gravity';
export {
  extentOf,
  reachOf,
  roomAt,
  roomOf,
  roomOfBody,
  roomsOf,
  type Room,
  type Rooms,
} from './rooms';
export { facing, JOINT_ASIDE_MM, spans, type Facing } from './facing';
export { nearestSlide, nudgedSlide, screwedAs, slidesOn, type SlideRange } from './slides';
export { footOf, movedBy, moveEdit, shiftEdit, slideRange } from './moved';
export {
  nodeIdOf,
  type FluidLink,
  type FluidNode,
  type LinkLaw,
  type NodeId,
  type Leg,
  type LoopGraph,
  type LoopLayout,
  type System,
  type PlacedComponent,
  type PlacedPort,
  type Solid,
  type Visit,
} from './types';
