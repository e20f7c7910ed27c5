import type {
  Bodied,
  FanPoint,
  HeadPoint,
  PartBase,
  WettedPolymerSurface,
  Thread,
  Wet,
  WettedSurface,
  LossPoint,
} from './base';

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

/**
 * Heat a radiator sheds per kelvin of (coolant in − air in), measured at states of air and coolant.
 */
export interface MeasuredRadiator {
  /**
   * What the first number is: air through the core, m³/h, or speed of the fans that hang on it,
   * rpm.
   */
  readonly against: 'air' | 'speed';
  readonly points: readonly (readonly [
    airOrSpeed: number,
    coolant_Lmin: number,
    conductance_WK: number,
  ])[];
  /** Where they are from and how they were taken. */
  readonly source?: string;
}

/**
 * What a maker prints: so many watts at so many kelvin (coolant in over air in) at a fan speed.
 * Without the kelvin it says nothing.
 */
export interface RadiatorRating {
  readonly heat_W: number;
  readonly difference_K: number;
  readonly speed_rpm: number;
}

export interface RadiatorPart extends Bodied, Wet {
  readonly kind: 'radiator';
  readonly measured?: MeasuredRadiator;
  readonly rating?: RadiatorRating;
  /** Side of a fan's frame, 40 to 230 mm. */
  readonly section_mm: number;
  readonly sections: number;
  /** From the tank end without ports to the first fan's edge, mm. */
  readonly finStart_mm: number;
  readonly holeGap_mm: number;
  readonly core: RadiatorCore;
  readonly screw: { readonly thread: string; readonly depthToTube_mm: number };
}

/**
 * How a fan or pump is fed: from a header (four pins with PWM, three by voltage) or from the
 * supply, with its speed wire on a header.
 */
export type PowerPlug = 'four-pin' | 'three-pin' | 'supply';

export interface FanPart extends Bodied {
  readonly kind: 'fan';
  /** Side of a fan's frame, 40 to 230 mm. */
  readonly section_mm: number;
  readonly minSpeed_rpm: number;
  readonly fullSpeed_rpm: number;
  readonly points: readonly FanPoint[];
  readonly pointsSource?: string;
  /** At full speed and 1 m. */
  readonly sound_dBA: number;
  /** Its octave bands from 63 Hz to 8 kHz against each other, dB; a usual shape when not given. */
  readonly spectrum_dB?: readonly number[];
  readonly power_W: number;
  /** Its plug; four pins when not given. */
  readonly plug?: PowerPlug;
  /** Length of its own lead, mm; not known when not given. */
  readonly lead_mm?: number;
}

export interface PumpPart extends Bodied, Wet {
  readonly kind: 'pump';
  readonly fullSpeed_rpm: number;
  readonly minSpeed_rpm: number;
  readonly points: readonly HeadPoint[];
  readonly pointsSource?: string;
  /** What its maker prints, as printed: not always what it says it is. */
  readonly ratings?: {
    readonly head_m?: number;
    readonly pressure_kPa?: number;
    readonly flow_Lmin?: number;
  };
  readonly sound_dBA: number;
  /** As of a fan. */
  readonly spectrum_dB?: readonly number[];
  readonly power_W: number;
  /** Its plug; four pins when not given. */
  readonly plug?: PowerPlug;
  /** Length of its own lead, mm; not known when not given. */
  readonly lead_mm?: number;
}

export interface ReservoirPart extends Bodied, Wet {
  readonly kind: 'reservoir';
  readonly fill_mL: number;
  /** Reads the coolant in it. */
  readonly sensor?: true;
}

export type BlockTarget = 'processor' | 'card' | 'board' | 'memory';

/** What a block can be mounted on; what is not named is not known. */
export interface BlockFits {
  /** Hole patterns round a processor, each with the bracket it needs where that is sold apart. */
  readonly patterns?: readonly { readonly pattern: string; readonly bracket?: string }[];
  /** Layouts of cards and of boards. */
  readonly cards?: readonly string[];
  readonly boards?: readonly string[];
  readonly sticks?: readonly { readonly count: number; readonly pitch_mm: number }[];
}

export interface BlockPart extends Bodied, Wet {
  readonly kind: 'block';
  /** Kinds of part it cools: a monoblock cools the processor and the board's regulators. */
  readonly cools: readonly BlockTarget[];
  readonly fits?: BlockFits;
  /** Measured K/W of the block alone over L/min. */
  readonly resistance: readonly (readonly [flow_Lmin: number, k_W: number])[];
  readonly resistanceSource?: string;
  readonly minFlow_Lmin: number;
}

export interface TubePart extends PartBase {
  readonly kind: 'tube';
  readonly material: 'soft PVC' | 'EPDM rubber' | 'PETG' | 'acrylic' | 'copper';
  readonly hard: boolean;
  readonly outer_mm: number;
  readonly inner_mm: number;
  /** Middle-line radius no bend may go below, mm (hard tube: of its mandrel). */
  readonly minBend_mm: number;
  /** Sold in sticks of this length, mm; rolls are cut to the metre. */
  readonly stick_mm?: number;
}

export type FittingDuty =
  | 'compression'
  | 'barb'
  | 'hard-tube'
  | 'rotary45'
  | 'rotary90'
  | 'extender'
  | 'plug'
  | 'drain'
  | 'fill'
  | 'maleToMale'
  | 'bridge';

export interface FittingPart extends PartBase {
  readonly kind: 'fitting';
  readonly duty: FittingDuty;
  readonly thread: Thread;
  readonly tube?: { readonly outer_mm: number; readonly inner_mm: number };
  readonly bore_mm: number;
  /**
   * On its own bore, of all between the port and the tube: entry, bore, the step to its tube. Not
   * used where it was measured.
   */
  readonly k: number;
  readonly kSource: string;
  /** Pressure drop measured with water at 25 °C, kPa at L/min. */
  readonly points?: readonly LossPoint[];
  readonly pointsSource?: string;
  /** How far it stands out of the port, and how wide it is, mm. */
  readonly length_mm: number;
  readonly diameter_mm: number;
  readonly polymers?: readonly WettedPolymerSurface[];
  /** Of a bridge: from face to face of the two ports, as far as it slides, mm. */
  readonly span_mm?: readonly [least: number, most: number];
  readonly wetted: readonly WettedSurface[];
  /** Of a plug: reads the coolant at its port. */
  readonly sensor?: true;
  /** Fittings of one family look alike and are changed for each other's. */
  readonly family?: string;
}

export const INLINE_DUTIES = [
  'tee',
  'valve',
  'filter',
  'meter',
  'coupling',
  'plate',
  'passthrough',
] as const;
export type InlineDuty = (typeof INLINE_DUTIES)[number];

/**
 * Pieces with ports of their own that hang in the runs: tees, valves, filters, flow meters, quick
 * couplings, distribution plates, pass-throughs of a panel.
 */
export interface InlinePart extends Bodied, Wet {
  readonly kind: 'inline';
  readonly duty: InlineDuty;
  /** Of a pass-through: the hole it needs in a panel, and where along its x the panel is. */
  readonly panel?: { readonly hole_mm: number; readonly at_mm: number };
  /** Reads the coolant that passes. */
  readonly sensor?: true;
  /**
   * A tee's chambers: the two ends of its straight way and its side way, each with a passage into
   * the middle; the loss goes by flow split.
   */
  readonly tee?: {
    readonly bore_mm: number;
    readonly leg_mm: number;
    readonly run: readonly [string, string];
    readonly branch: string;
  };
}
