export { CASE_NAMES, CASE_WORDS } from './loadCases';
export type {
  Bodied,
  Included,
  FanPoint,
  HeadPoint,
  HolePattern,
  LossPoint,
  Metal,
  PartBase,
  Passage,
  Port,
  PortRole,
  PolymerMaterial,
  WettedPolymerSurface,
  Thread,
  WettedSurface,
} from './base';
export { ROOM_BEHIND_MM, type CaseAir, type CasePart, type Mount, type MountFace } from './case';
export type {
  CoolantPart,
  CablePart,
  ScrewPart,
  ConsumableDuty,
  ConsumablePart,
  LayerPart,
} from './goods';
export type {
  BoardPart,
  BuiltInCase,
  CardPart,
  HotSpot,
  LoadCaseId,
  MemoryPart,
  DeviceDuty,
  DevicePart,
  DriveFormat,
  ProcessorPart,
  SupplyPart,
} from './machine';
export type {
  BlockFits,
  BlockPart,
  BlockTarget,
  FanPart,
  FittingDuty,
  FittingPart,
  InlineDuty,
  InlinePart,
  MeasuredRadiator,
  PowerPlug,
  PumpPart,
  RadiatorCore,
  RadiatorPart,
  RadiatorRating,
  ReservoirPart,
  TubePart,
} from './plumbing';
export type { HeatedPart, ComponentPart, Part, PartKind, PartOf, WetPart } from './types';
export { POLYMER_MATERIALS } from './base';
export { CONSUMABLE_DUTIES } from './goods';
export { DEVICE_DUTIES, DRIVE_FORMATS, EVERY_LOAD_CASE, isLoadCase, LOAD_CASES } from './machine';
export { INLINE_DUTIES } from './plumbing';
export { turningSpeed, type Turning } from './turning';
export { PART_KINDS, isWet, isHeated, isComponentPart, drawingOf } from './kinds';
export {
  BOARD_STANDARDS,
  FAN_PITCH,
  FAN_SIZES,
  THREADS,
  type BoardStandard,
  type ThreadSize,
} from './standards';
export { loadCaseNow } from './migrate';
