export type {
  BlockPart, BlockTarget, BoardPart, Bodied, BuiltInCase, CardPart, CasePart, CoolantPart, FanPart, FanPoint, FittingDuty, FittingPart, HeadPoint, HeatedPart,
  HotSpot, InlineDuty, InlinePart, ItemPart, LoadCaseId, LossPoint, MeasuredRadiator, MemoryPart, Metal, Mount, MountFace, Part, PartBase, PartKind, PartOf, Passage, Port, PortRole,
  ProcessorPart, PumpPart, RadiatorCore, RadiatorPart, RadiatorRating, ReservoirPart, ScrewPart, SupplyPart, Thread, TubePart, WetPart, WettedSurface,
} from './types';
export { LOAD_CASES, INLINE_DUTIES } from './types';
export { PART_KINDS, isWet, isHeated, isItemPart, drawingOf } from './kinds';
