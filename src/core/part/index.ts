export type {
  BlockPart, BlockTarget, BoardPart, Bodied, BuiltInCase, CardPart, CasePart, CoolantPart, FanPart, FanPoint, FittingDuty, FittingPart, HeadPoint, HeatedPart,
  HolePattern, HotSpot, InlineDuty, InlinePart, ItemPart, LeadPart, LoadCaseId, LossPoint, MeasuredRadiator, MemoryPart, Metal, Mount, MountFace, Part, PartBase, PartKind, PartOf, Passage, Port, PortRole, PowerPlug,
  ProcessorPart, PumpPart, RadiatorCore, RadiatorPart, RadiatorRating, ReservoirPart, ScrewPart, SoftMaterial, SoftWetted, SundryDuty, SundryPart, SupplyPart, Thread, TubePart, WetPart, WettedSurface,
} from './types';
export { LOAD_CASES, INLINE_DUTIES, SOFT_MATERIALS, SUNDRY_DUTIES } from './types';
export { PART_KINDS, isWet, isHeated, isItemPart, drawingOf } from './kinds';
export { BOARD_STANDARDS, FAN_PITCH, THREADS, type BoardStandard, type ThreadSize } from './standards';
