import type { CoolantBase } from '../fluid';
import type { Box, Vec } from '../shape';

/** Measured pressure drop of a part with water at 25 °C. */
export type LossPoint = readonly [flow_Lmin: number, drop_kPa: number];
/** A pump's head at full speed, metres of the fluid pumped. */
export type HeadPoint = readonly [flow_Lmin: number, head_m: number];
/** A fan's pressure at full speed, in air of 1.2 kg/m³. */
export type FanPoint = readonly [flow_m3h: number, pressure_Pa: number];

/** Metals that coolant may touch, and stand-ins for surfaces that are none. Keys of the anodic index table. */
export type Metal = 'copper' | 'brass' | 'nickel' | 'silver' | 'gold' | 'stainless' | 'tin' | 'zinc' | 'aluminium' | 'chrome';

/** A surface the coolant touches. Plating counts as its plating; a scratch exposes the base. */
export interface WettedSurface {
  readonly metal: Metal;
  readonly platedOver?: Metal;
  readonly area_mm2: number;
}

export type Thread = 'G1/4';
export type PortRole = 'in' | 'out' | 'any';

/** An opening for a fitting, in the part's own axes. */
export interface Port {
  readonly id: string;
  readonly name: string;
  readonly at: Vec;
  readonly direction: Vec;
  readonly thread: Thread;
  readonly role: PortRole;
  /** Ports with the same chamber meet inside the part. */
  readonly chamber: string;
  /** May serve to fill (a cap on top) or to drain (at the bottom). */
  readonly duty?: 'fill' | 'drain';
}

/** What flows from one chamber to another inside a part, with its measured drop. */
export interface Passage {
  readonly from: string;
  readonly to: string;
  readonly points: readonly LossPoint[];
  /** Coolant may only pass from → to. */
  readonly oneWay?: boolean;
  /** Where the points come from and how they were taken. */
  readonly source?: string;
}

export interface PartBase {
  /** Stable name in the Stores, for instance "rad-heron-360-30". */
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  /** Minor currency units each (tube: per metre; coolant: per bottle). */
  readonly price_minor: number;
  /** Made to within ± mm. */
  readonly tolerance_mm: number;
  readonly note?: string;
}

/** A part that stands somewhere and takes room. */
export interface Bodied extends PartBase {
  /** Own x, y, z extents, mm. The body fills it unless `boxes` says where. */
  readonly size: Vec;
  readonly boxes?: readonly (Box & { readonly name: string; /** Round about this axis of its own: the cylinder that fills the box across it. */ readonly round?: 'x' | 'y' | 'z' })[];
  /** Hole patterns its foot or bracket can be screwed to. */
  readonly foot?: readonly HolePattern[];
}

export const SOFT_MATERIALS = ['soft PVC', 'EPDM rubber', 'PETG', 'acrylic', 'acetal', 'nylon', 'polycarbonate', 'glass', 'nitrile rubber', 'silicone rubber', 'fluoro rubber'] as const;
export type SoftMaterial = (typeof SOFT_MATERIALS)[number];
/** A plastic, glass or rubber that the coolant touches: of the body, or of a seal. */
export interface SoftWetted { readonly material: SoftMaterial; readonly as: 'body' | 'seal' }

export interface Wet {
  readonly ports: readonly Port[];
  readonly passages: readonly Passage[];
  readonly wetted: readonly WettedSurface[];
  /** Plastics and rubbers the coolant touches; nothing where the part's data do not tell. */
  readonly softs?: readonly SoftWetted[];
  readonly volume_mL: number;
}

export const LOAD_CASES = ['idle', 'play', 'render', 'torture'] as const;
export type BuiltInCase = (typeof LOAD_CASES)[number];
export type LoadCaseId = BuiltInCase | 'own';

/** A place in a part that must stay below a limit. */
export interface HotSpot {
  readonly id: string;
  readonly name: string;
  readonly limit_C: number;
  /** From the spot to the face of a cooler, per watt of the whole part: spreading, lid, paste or pad, K/W. */
  readonly interface_KW: number;
  /** From the spot to the case air with the part's own air cooler, K/W. */
  readonly onAir_KW: number;
}

/** Something that makes heat. */
export interface Heated {
  /** Full draw, W, by its maker. */
  readonly draw_W: number;
  /** Share of the draw in each load case, 0–1.2. */
  readonly shares: Readonly<Record<BuiltInCase, number>>;
  readonly spots: readonly HotSpot[];
}

export interface ProcessorPart extends Bodied, Heated { readonly kind: 'processor' }

export interface CardPart extends Bodied, Heated {
  readonly kind: 'card';
  /** Thickness without its air cooler, mm (the board and what stands on its back). */
  readonly bareThickness_mm: number;
  /** Its power plug with the bend of the cables, own axes. */
  readonly powerPlug?: Box;
}

export interface BoardPart extends Bodied, Heated {
  readonly kind: 'board';
  readonly standard: string;
  /** Middle of the processor, own axes. */
  readonly processorAt: Vec;
  /** Middle of the regulator bank, own axes: where the board's blocks sit. */
  readonly regulatorsAt: Vec;
  /** First memory module's lower rear corner, own axes; pitch upward in x. */
  readonly memoryAt: Vec;
  /** Height over the board's bottom edge of each slot's card plane, mm, from the top slot down. */
  readonly slots_mm: readonly number[];
  /** What its fan and pump headers give, and how many there are. A common board's when not given. */
  readonly headers?: { readonly fan: number; readonly pump: number; readonly fan_A: number; readonly pump_A: number };
}

export interface MemoryPart extends Bodied, Heated { readonly kind: 'memory'; readonly modules: number }
export interface SupplyPart extends Bodied { readonly kind: 'supply'; readonly rating_W: number }

/** A hole pattern that screws meet: pitch along the part's x and z (upright parts) or across, mm. */
export interface HolePattern { readonly x_mm: number; readonly z_mm: number }

export type MountFace = 'front' | 'top' | 'bottom' | 'rear' | 'side';

/** Where a radiator or bare fans hang. */
export interface Mount {
  readonly id: string;
  readonly name: string;
  readonly face: MountFace;
  /** Start of the rail at the middle of its width, on the inside of the frame. */
  readonly at: Vec;
  readonly along: Vec;
  readonly across: Vec;
  readonly inward: Vec;
  /** Length a radiator may take along the rail, mm. */
  readonly length_mm: number;
  readonly fans: readonly { readonly size_mm: 120 | 140; readonly count: number }[];
  /** Screw pitch between neighbouring fans' holes, mm: 15 on 120, 15 or 20 on 140 sections. */
  readonly holeGap_mm: number;
  /** What the case's maker says may hang here, radiator and fans together, mm. */
  readonly published_mm: number;
  /** Room between the frame and the cover outside it, mm: fans may hang there. None when not given. */
  readonly outside_mm?: number;
  /** Share of the air that gets through its filter and grille at equal pressure, as a loss factor in fan pressure: Pa at 1 m/s. */
  readonly filterLoss_Pa: number;
}

export interface CasePart extends PartBase {
  readonly kind: 'case';
  readonly interior: Vec;
  readonly volume_L: number;
  readonly mounts: readonly Mount[];
  /** Lower rear corner of the board, on its stand-offs. */
  readonly boardAt: Vec;
  readonly boardStandards: readonly string[];
  readonly bay: Box;
  /** Where a card that stands in a slot of its own (on a riser) sits; the board's slots otherwise. */
  readonly riser?: { readonly at: Vec };
  /** Cages, shrouds and brackets. `boxes` say where it is solid, when it has openings or corners; the whole box otherwise. */
  readonly obstacles: readonly (Box & { readonly id: string; readonly name: string; readonly removable: boolean; readonly boxes?: readonly Box[] })[];
  /** Thickness of the sheet of each side, mm: what fans and radiators are screwed to where mounts are, the cover on the glass side. */
  readonly panels_mm?: Readonly<Partial<Record<MountFace | 'tray', number>>>;
  /** Openings in the board tray: for cables, and for tubes to pass behind it. Middle, and width and height. */
  readonly grommets?: readonly { readonly id: string; readonly name: string; readonly at: Vec; readonly width_mm: number; readonly height_mm: number }[];
  /** Room behind the tray, mm: tubes may run there from opening to opening. None when not given. */
  readonly behind_mm?: number;
  /** Fans that come with it, and where they hang. */
  readonly fansIncluded?: readonly { readonly mount: string; readonly fan: FanPart }[];
  /** Spots made for a reservoir or pump: middle of its foot. */
  readonly spots: readonly { readonly id: string; readonly name: string; readonly at: Vec; /** Its screw holes; any foot stands on a spot that gives none. */ readonly holes?: HolePattern }[];
}

export interface RadiatorCore {
  readonly depth_mm: number;
  readonly width_mm: number;
  readonly fpi: number;
  readonly finHeight_mm: number;
  readonly finThickness_mm: number;
  readonly tubeHeight_mm: number;
  readonly tubeWall_mm: number;
  readonly passes: number;
  readonly finHeatFactor: number;
  readonly finDragFactor: number;
  readonly finMetal: 'copper' | 'brass' | 'aluminium';
}

/** Heat a radiator sheds per kelvin of (coolant in − air in), measured at states of air and coolant. */
export interface MeasuredRadiator {
  /** What the first number is: air through the core, m³/h, or speed of the fans that hang on it, rpm. */
  readonly against: 'air' | 'speed';
  readonly points: readonly (readonly [airOrSpeed: number, coolant_Lmin: number, conductance_WK: number])[];
  /** Where they are from and how they were taken. */
  readonly source?: string;
}

/** What a maker prints: so many watts at so many kelvin (coolant in over air in) at a fan speed. Without the kelvin it says nothing. */
export interface RadiatorRating { readonly heat_W: number; readonly difference_K: number; readonly speed_rpm: number }

export interface RadiatorPart extends Bodied, Wet {
  readonly kind: 'radiator';
  readonly measured?: MeasuredRadiator;
  readonly rating?: RadiatorRating;
  readonly section_mm: 120 | 140;
  readonly sections: number;
  /** From the tank end without ports to the first fan's edge, mm. */
  readonly finStart_mm: number;
  readonly holeGap_mm: number;
  readonly core: RadiatorCore;
  readonly screw: { readonly thread: string; readonly depthToTube_mm: number };
}

/** How a fan or pump is fed: from a header (four pins with PWM, three by voltage) or from the supply, with its speed wire on a header. */
export type PowerPlug = 'four-pin' | 'three-pin' | 'supply';

export interface FanPart extends Bodied {
  readonly kind: 'fan';
  readonly section_mm: 120 | 140;
  readonly minSpeed_rpm: number;
  readonly fullSpeed_rpm: number;
  readonly points: readonly FanPoint[];
  readonly pointsSource?: string;
  /** At full speed and 1 m. */
  readonly sound_dBA: number;
  readonly power_W: number;
  /** Its plug; four pins when not given. */
  readonly plug?: PowerPlug;
}

export interface PumpPart extends Bodied, Wet {
  readonly kind: 'pump';
  readonly fullSpeed_rpm: number;
  readonly minSpeed_rpm: number;
  readonly points: readonly HeadPoint[];
  readonly pointsSource?: string;
  /** What its maker prints, as printed: not always what it says it is. */
  readonly ratings?: { readonly head_m?: number; readonly pressure_kPa?: number; readonly flow_Lmin?: number };
  readonly sound_dBA: number;
  readonly power_W: number;
  /** Its plug; four pins when not given. */
  readonly plug?: PowerPlug;
}

export interface ReservoirPart extends Bodied, Wet { readonly kind: 'reservoir'; readonly fill_mL: number }

export type BlockTarget = 'processor' | 'card' | 'board' | 'memory';

export interface BlockPart extends Bodied, Wet {
  readonly kind: 'block';
  /** Kinds of part it cools: a monoblock cools the processor and the board's regulators. */
  readonly cools: readonly BlockTarget[];
  /** Measured K/W of the block alone over L/min. */
  readonly resistance: readonly (readonly [flow_Lmin: number, k_W: number])[];
  readonly resistanceSource?: string;
  readonly minFlow_Lmin: number;
}

export interface TubePart extends PartBase {
  readonly kind: 'tube';
  readonly material: 'soft PVC' | 'EPDM rubber' | 'PETG' | 'acrylic';
  readonly hard: boolean;
  readonly outer_mm: number;
  readonly inner_mm: number;
  /** Middle-line radius no bend may go below, mm (hard tube: of its mandrel). */
  readonly minBend_mm: number;
  /** Sold in sticks of this length, mm; rolls are cut to the metre. */
  readonly stick_mm?: number;
}

export type FittingDuty = 'compression' | 'barb' | 'hard-tube' | 'rotary45' | 'rotary90' | 'extender' | 'plug' | 'drain' | 'fill' | 'joint' | 'bridge';

export interface FittingPart extends PartBase {
  readonly kind: 'fitting';
  readonly duty: FittingDuty;
  readonly thread: Thread;
  readonly tube?: { readonly outer_mm: number; readonly inner_mm: number };
  readonly bore_mm: number;
  /** On its own bore. */
  readonly k: number;
  readonly kSource: string;
  /** How far it stands out of the port, and how wide it is, mm. */
  readonly length_mm: number;
  readonly diameter_mm: number;
  readonly softs?: readonly SoftWetted[];
  /** Of a bridge: from face to face of the two ports, as far as it slides, mm. */
  readonly span_mm?: readonly [least: number, most: number];
  readonly wetted: readonly WettedSurface[];
  /** Fittings of one family look alike and are changed for each other's. */
  readonly family?: string;
}

export const INLINE_DUTIES = ['tee', 'valve', 'filter', 'meter', 'coupling', 'plate'] as const;
export type InlineDuty = (typeof INLINE_DUTIES)[number];

/** Pieces with ports of their own that hang in the runs: tees, valves, filters, flow meters, quick couplings, distribution plates. */
export interface InlinePart extends Bodied, Wet {
  readonly kind: 'inline';
  readonly duty: InlineDuty;
  /** A tee's chambers: the two ends of its straight way and its side way, each with a passage into the middle; the loss goes by flow split. */
  readonly tee?: { readonly bore_mm: number; readonly leg_mm: number; readonly run: readonly [string, string]; readonly branch: string };
}

export interface CoolantPart extends PartBase {
  readonly kind: 'coolant';
  readonly base: CoolantBase;
  readonly bottle_mL: number;
  /** Keeps metals apart for this many months; 0 without an inhibitor. */
  readonly inhibitor_months: number;
  readonly biocide: boolean;
  readonly look: 'clear' | 'dyed' | 'opaque';
  readonly poisonous: boolean;
  readonly upkeep: string;
  /** Sold to be mixed with so many parts of distilled water by volume; the bottle holds the concentrate. */
  readonly waterParts?: number;
  /** Electrical conductivity, µS/cm, of the mix. */
  readonly conductivity_uScm?: number;
  /** Plastics and rubbers it swells, hazes or cracks. */
  readonly attacks?: readonly SoftMaterial[];
  /** Share of alcohol by volume, 0–0.5. */
  readonly alcoholShare?: number;
}

export interface ScrewPart extends PartBase { readonly kind: 'screw'; readonly thread: string; readonly length_mm: number; readonly pack: number }

/** A lead that feeds several fans: a splitter from one header, or a hub fed by the supply with one header for its speed. */
export interface LeadPart extends PartBase { readonly kind: 'lead'; readonly duty: 'splitter' | 'hub'; readonly outlets: number; /** All outlets together. */ readonly limit_A: number }

/** What a build uses up, and the tools it is made with. */
export const SUNDRY_DUTIES = ['paste', 'pads', 'alcohol', 'paper', 'gloves', 'washer', 'cord', 'heat-gun', 'saw', 'cutter', 'snips', 'deburrer', 'mandrel', 'mitre', 'tape', 'marker', 'leak-tester', 'fill-bottle', 'biocide', 'water', 'flush', 'bracket', 'o-ring'] as const;
export type SundryDuty = (typeof SUNDRY_DUTIES)[number];
export interface SundryPart extends PartBase {
  readonly kind: 'sundry';
  readonly duty: SundryDuty;
  /** Bought once and kept, or used up. */
  readonly tool: boolean;
  /** How many uses a pack has: blocks a tube of paste does, washers in a bag. */
  readonly pack: number;
  /** Tube it is for, mm: cords by the bore, mandrels by the outer size. */
  readonly tube_mm?: number;
}

export type Part =
  | ProcessorPart | CardPart | BoardPart | MemoryPart | SupplyPart | CasePart | RadiatorPart | FanPart | PumpPart
  | ReservoirPart | BlockPart | TubePart | FittingPart | InlinePart | CoolantPart | ScrewPart | LeadPart | SundryPart;

export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;

/** Parts that are placed in the case as items of a build. */
export type ItemPart = ProcessorPart | CardPart | BoardPart | MemoryPart | SupplyPart | RadiatorPart | FanPart | PumpPart | ReservoirPart | BlockPart | InlinePart;
export type WetPart = RadiatorPart | PumpPart | ReservoirPart | BlockPart | InlinePart;
export type HeatedPart = ProcessorPart | CardPart | BoardPart | MemoryPart;
