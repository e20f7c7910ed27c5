import type {
  BoardPart,
  CardPart,
  DevicePart,
  MemoryPart,
  ProcessorPart,
  SupplyPart,
} from './machine';
import type { CasePart } from './case';
import type {
  BlockPart,
  FanPart,
  FittingPart,
  InlinePart,
  PumpPart,
  RadiatorPart,
  ReservoirPart,
  TubePart,
} from './plumbing';
import type { CablePart, ConsumablePart, CoolantPart, LayerPart, ScrewPart } from './goods';

export type Part =
  | ProcessorPart
  | CardPart
  | BoardPart
  | MemoryPart
  | DevicePart
  | SupplyPart
  | CasePart
  | RadiatorPart
  | FanPart
  | PumpPart
  | ReservoirPart
  | BlockPart
  | TubePart
  | FittingPart
  | InlinePart
  | CoolantPart
  | ScrewPart
  | CablePart
  | LayerPart
  | ConsumablePart;

export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;

/** Parts that are placed in the case as components of a build. */
export type ComponentPart =
  | ProcessorPart
  | CardPart
  | BoardPart
  | MemoryPart
  | DevicePart
  | SupplyPart
  | RadiatorPart
  | FanPart
  | PumpPart
  | ReservoirPart
  | BlockPart
  | InlinePart;
export type WetPart = RadiatorPart | PumpPart | ReservoirPart | BlockPart | InlinePart;
export type HeatedPart = ProcessorPart | CardPart | BoardPart | MemoryPart | DevicePart;
