import type { Box, Vec } from '../geometry';
import type { Bodied } from './base';

export const LOAD_CASES = ['idle', 'gaming', 'render', 'stress'] as const;
export type BuiltInCase = (typeof LOAD_CASES)[number];
export type LoadCaseId = BuiltInCase | 'custom';
/** The built-in ones and the builder's own. */
export const EVERY_LOAD_CASE: readonly LoadCaseId[] = [...LOAD_CASES, 'custom'];
export const isLoadCase = (text: unknown): text is LoadCaseId =>
  (EVERY_LOAD_CASE as readonly unknown[]).includes(text);

/** A place in a part that must stay below a limit. */
export interface HotSpot {
  readonly id: string;
  readonly name: string;
  readonly limit_C: number;
  /**
   * From the spot to the face of a cooler, per watt of the whole part: spreading, lid, paste or
   * pad, K/W.
   */
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
  readonly hotSpots: readonly HotSpot[];
}

export interface ProcessorPart extends Bodied, Heated {
  readonly kind: 'processor';
  /** Holes round its seat that a block is screwed to, as "75 × 75 M4". */
  readonly pattern?: string;
}

export interface CardPart extends Bodied, Heated {
  readonly kind: 'card';
  /** Where chips and screws are on it: covers are made for one layout. */
  readonly layout?: string;
  /** Thickness without its air cooler, mm (the board and what stands on its back). */
  readonly bareThickness_mm: number;
  /** Its power plug with the bend of the cables, own axes. */
  readonly powerPlug?: Box;
}

export interface BoardPart extends Bodied, Heated {
  readonly kind: 'board';
  readonly standard: string;
  /** Holes round its processor's seat, as "75 × 75 M4". */
  readonly pattern?: string;
  /** Where chips and screws are on it: whole-board blocks are made for one layout. */
  readonly layout?: string;
  /** Slots for memory, and how far apart they are. */
  readonly memory?: { readonly slots: number; readonly pitch_mm: number };
  /** Middle of the processor, own axes. */
  readonly processorAt: Vec;
  /** Middle of the regulator bank, own axes: where the board's blocks sit. */
  readonly regulatorsAt: Vec;
  /** First memory module's lower rear corner, own axes; pitch upward in x. */
  readonly memoryAt: Vec;
  /** Height over the board's bottom edge of each slot's card plane, mm, from the top slot down. */
  readonly slots_mm: readonly number[];
  /**
   * What its fan and pump headers give, and how many there are. A common board's when not given.
   */
  readonly headers?: {
    readonly fan: number;
    readonly pump: number;
    readonly fan_A: number;
    readonly pump_A: number;
  };
}

export interface MemoryPart extends Bodied, Heated {
  readonly kind: 'memory';
  readonly modules: number;
}

export const DEVICE_DUTIES = ['drive', 'extension', 'light', 'controller'] as const;
export type DeviceDuty = (typeof DEVICE_DUTIES)[number];
/** Sizes of drives as cages name them. */
export const DRIVE_FORMATS = ['2.5 in', '3.5 in'] as const;
export type DriveFormat = (typeof DRIVE_FORMATS)[number];

/**
 * What else stands in a machine, takes room and makes heat, and is never under a block: drives,
 * cards in a slot that draw no picture, light strips, controllers.
 */
export interface DevicePart extends Bodied, Heated {
  readonly kind: 'device';
  readonly duty: DeviceDuty;
  /** Of a drive that goes into a cage. */
  readonly format?: DriveFormat;
  /** What its cable ends in, as "SATA data and power". */
  readonly connector?: string;
}
export interface SupplyPart extends Bodied {
  readonly kind: 'supply';
  readonly rating_W: number;
}
