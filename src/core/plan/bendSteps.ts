import type { BendSheet } from './bendSheet';

/**
 * A turn of the tube about its own length, as seen from the end that is held, looking towards the
 * mandrel.
 */
export interface TubeTurn {
  readonly direction: 'clockwise' | 'anticlockwise';
  /** 0 to 180. */
  readonly angle_deg: number;
}

/**
 * One bend as it is made. The run's first end leads, its other end is held, and every bend goes the
 * same way round the mandrel: push the tube on by a straight length, turn it in the hand, bend.
 */
export interface BendStep {
  /** Straight tube between the bend before (or the first end of the tube) and this bend, mm. */
  readonly push_mm: number;
  /** Null where the bend lies in the plane of the one before. */
  readonly turn: TubeTurn | null;
  /** Angle of the finished bend, once it has sprung back. */
  readonly bend_deg: number;
  /** Angle to bend to, so that `bend_deg` is left. */
  readonly set_deg: number;
  /** Of its middle line, mm. */
  readonly radius_mm: number;
}

/** Turns smaller than this are none: no hand can make them. */
const LEAST_TURN_DEG = 0.05;

/**
 * The turn of the tube that brings the next bend plane to the mandrel. `rotation_deg` is the
 * right-handed turn of the bend *plane* about the travel from the first end to the other (−180 to
 * 180). The plane at the mandrel stays, so the tube turns the other way: left-handed about the
 * travel, which runs from the mandrel to the held end. Seen from the held end, looking against the
 * travel, left-handed about it is clockwise.
 */
export function tubeTurn(rotation_deg: number): TubeTurn | null {
  const angle_deg = Math.abs(rotation_deg);
  if (angle_deg < LEAST_TURN_DEG) return null;
  return { direction: rotation_deg > 0 ? 'clockwise' : 'anticlockwise', angle_deg };
}

/**
 * The bends of a sheet in the order of the work, and the straight that is left behind the last one
 * up to the held end, mm.
 */
export function bendSteps(sheet: Pick<BendSheet, 'bends' | 'cut_mm'>): {
  readonly steps: readonly BendStep[];
  readonly last_mm: number;
} {
  let at = 0;
  const steps: BendStep[] = [];
  for (const bend of sheet.bends) {
    steps.push({
      push_mm: bend.start_mm - at,
      turn: bend.turn,
      bend_deg: bend.angle_deg,
      set_deg: bend.set_deg,
      radius_mm: bend.radius_mm,
    });
    at = bend.end_mm;
  }
  return { steps, last_mm: sheet.cut_mm - at };
}
