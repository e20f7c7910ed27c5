import type { Box, Vec } from '../geometry';

/** Measured pressure drop of a part with water at 25 °C. */
export type LossPoint = readonly [flow_Lmin: number, drop_kPa: number];
/** A pump's head at full speed, metres of the fluid pumped. */
export type HeadPoint = readonly [flow_Lmin: number, head_m: number];
/** A fan's pressure at full speed, in air of 1.2 kg/m³. */
export type FanPoint = readonly [flow_m3h: number, pressure_Pa: number];

/**
 * Metals that coolant may touch. Keys of the anodic index table; `other` stands for one that is not
 * in it and is not judged.
 */
export type Metal =
  | 'copper'
  | 'brass'
  | 'nickel'
  | 'silver'
  | 'gold'
  | 'stainless'
  | 'tin'
  | 'zinc'
  | 'aluminium'
  | 'chrome'
  | 'stainless316'
  | 'silverSolder'
  | 'nickelPhosphorus'
  | 'steel'
  | 'anodisedAluminium'
  | 'other';

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
  /** Sold in packs of so many, at one price for the pack. */
  readonly soldIn?: number;
  /** What comes in its box. */
  readonly includes?: readonly Included[];
}

/** Pieces of another part by its id, or uses of a consumable by what it does ("paste"). */
export interface Included {
  readonly what: string;
  readonly quantity: number;
}

/** A part that stands somewhere and takes room. */
export interface Bodied extends PartBase {
  /** Own x, y, z extents, mm. The body fills it unless `boxes` says where. */
  readonly size: Vec;
  readonly boxes?: readonly (Box & {
    readonly name: string;
    /** Round about this axis of its own: the cylinder that fills the box across it. */
    readonly round?: 'x' | 'y' | 'z';
  })[];
  /** Hole patterns its foot or bracket can be screwed to. */
  readonly foot?: readonly HolePattern[];
}

export const POLYMER_MATERIALS = [
  'soft PVC',
  'EPDM rubber',
  'PETG',
  'acrylic',
  'acetal',
  'nylon',
  'polycarbonate',
  'glass',
  'nitrile rubber',
  'silicone rubber',
  'fluoro rubber',
] as const;
export type PolymerMaterial = (typeof POLYMER_MATERIALS)[number];
/** A plastic, glass or rubber that the coolant touches: of the body, or of a seal. */
export interface WettedPolymerSurface {
  readonly material: PolymerMaterial;
  readonly as: 'body' | 'seal';
}

export interface Wet {
  readonly ports: readonly Port[];
  readonly passages: readonly Passage[];
  readonly wetted: readonly WettedSurface[];
  /** Plastics and rubbers the coolant touches; nothing where the part's data do not tell. */
  readonly polymers?: readonly WettedPolymerSurface[];
  readonly volume_mL: number;
  /** Most it may be put under over the room, kPa, as its maker says. */
  readonly maxPressure_kPa?: number;
}

/**
 * A hole pattern that screws meet: pitch along the part's x and z (upright parts) or across, mm.
 */
export interface HolePattern {
  readonly x_mm: number;
  readonly z_mm: number;
}
