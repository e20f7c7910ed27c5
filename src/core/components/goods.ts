import type { CoolantBase } from '../fluids';
import type { PartBase, PolymerMaterial } from './base';

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
  /**
   * Sold to be mixed with so many parts of distilled water by volume; the bottle holds the
   * concentrate.
   */
  readonly waterParts?: number;
  /** Electrical conductivity, µS/cm, of the mix. */
  readonly conductivity_uScm?: number;
  /** Plastics and rubbers it swells, hazes or cracks. */
  readonly attacks?: readonly PolymerMaterial[];
  /** Share of alcohol by volume, 0–0.5. */
  readonly alcoholShare?: number;
}

export interface ScrewPart extends PartBase {
  readonly kind: 'screw';
  readonly thread: string;
  readonly length_mm: number;
  readonly pack: number;
}

export const CABLE_DUTIES = ['splitter', 'hub', 'extension', 'riser'] as const;

/**
 * What carries current or signals: a splitter from one header, a hub fed by the supply with one
 * header for its speed, an extension of a lead that is too short, the riser of a card that stands.
 */
export interface CablePart extends PartBase {
  readonly kind: 'cable';
  readonly duty: (typeof CABLE_DUTIES)[number];
  /** From plug to plug, mm. */
  readonly length_mm?: number;
  /** What it ends in, as "four-pin fan". */
  readonly connector?: string;
  /** Plugs it feeds; 1 of an extension or a riser. */
  readonly outlets: number;
  /** All outlets together. */
  readonly limit_A: number;
}

/** A grille, filter or gasket between or before fans: held by their screws, passed by their air. */
export interface LayerPart extends PartBase {
  readonly kind: 'layer';
  readonly duty: 'grille' | 'filter' | 'gasket';
  /** Side of the fan it is made for, mm. */
  readonly section_mm: number;
  readonly thickness_mm: number;
  /** What air loses in it, Pa at 1 m/s. */
  readonly loss_Pa: number;
}

/** What a build uses up, and the tools it is made with. */
export const CONSUMABLE_DUTIES = [
  'paste',
  'pads',
  'alcohol',
  'paper',
  'gloves',
  'washer',
  'cord',
  'heat-gun',
  'saw',
  'cutter',
  'snips',
  'deburrer',
  'mandrel',
  'tube-bender',
  'mitre',
  'tape',
  'marker',
  'leak-tester',
  'fill-bottle',
  'biocide',
  'water',
  'flush',
  'bracket',
  'adhesive',
  'clip',
  'o-ring',
] as const;
export type ConsumableDuty = (typeof CONSUMABLE_DUTIES)[number];
export interface ConsumablePart extends PartBase {
  readonly kind: 'consumable';
  readonly duty: ConsumableDuty;
  /** Bought once and kept, or used up. */
  readonly tool: boolean;
  /** How many uses a pack has: blocks a tube of paste does, washers in a bag. */
  readonly pack: number;
  /** Tube it is for, mm: cords by the bore, mandrels by the outer size. */
  readonly tube_mm?: number;
}
