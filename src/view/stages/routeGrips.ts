import type { Vec } from '@/core/geometry';

/** What is dragged goes in steps of this, mm. */
export const STEP_MM = 1;
/** A leg that leaves its axis by more than this lies aslant, mm. */
const ASLANT_MM = 1e-6;

/** The axis of the case that a leg lies along; null for one that lies aslant. */
export function axisOf(a: Vec, b: Vec): 0 | 1 | 2 | null {
  const along = ([0, 1, 2] as const).filter((i) => Math.abs(b[i] - a[i]) > ASLANT_MM);
  return along.length === 1 ? (along[0] ?? null) : null;
}

/** Corners that can be moved: a leg beside them ends at no port, and both lie along axes. */
export const innerCorners = (corners: readonly Vec[]): readonly number[] =>
  corners
    .map((_, i) => i)
    .slice(1, -1)
    .filter(
      (i) =>
        corners.length > 3 &&
        axisOf(corners[i - 1] as Vec, corners[i] as Vec) !== null &&
        axisOf(corners[i] as Vec, corners[i + 1] as Vec) !== null,
    );
