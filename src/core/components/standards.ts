import { worded } from '../messages';
import type { Thread } from './base';

/** A pipe thread that seals by its O-ring, mm. */
export interface ThreadSize {
  readonly major_mm: number;
  readonly pitch_mm: number;
  readonly minor_mm: number;
}

/** ISO 228-1:2000 table 1: G 1/4, 19 threads an inch; height of thread 0.856 mm. */
export const THREADS: Readonly<Record<Thread, ThreadSize>> = {
  'G1/4': { major_mm: 13.157, pitch_mm: 25.4 / 19, minor_mm: 11.445 },
};

/**
 * Outline of a board and its stand-offs, in the board's own axes: x from the rear edge forward, y
 * from the lower edge up, mm. ATX specification 2.2, microATX 1.2 and Mini-ITX addendum, from
 * memory: columns 0.4, 6.5 and 9.35 in from the rear edge; rows from the upper edge 0.25 in, 6.45
 * in and 11.35 in (of ATX) or 9.05 in (of microATX); the upper rear hole 0.9 in lower. E-ATX is ATX
 * with a fourth column 12.4 in from the rear edge (SSI EEB 3.61, from memory).
 */
export interface BoardStandard {
  readonly name: string;
  readonly x_mm: number;
  readonly y_mm: number;
  readonly holes: readonly (readonly [x: number, y: number])[];
}

const INCH = 25.4;

function standard(
  name: string,
  x_in: number,
  y_in: number,
  columns: readonly number[],
  rows: readonly number[],
): BoardStandard {
  const height = y_in * INCH;
  const holes = columns.flatMap((c, i) =>
    rows.map((r, j) => [c * INCH, height - (r + (i === 0 && j === 0 ? 0.9 : 0)) * INCH] as const),
  );
  return { name, x_mm: x_in * INCH, y_mm: height, holes };
}

export const BOARD_STANDARDS: readonly BoardStandard[] = worded(() => [
  standard('E-ATX', 13, 12, [0.4, 6.5, 9.35, 12.4], [0.25, 6.45, 11.35]),
  standard('ATX', 9.6, 12, [0.4, 6.5, 9.35], [0.25, 6.45, 11.35]),
  standard('micro ATX', 9.6, 9.6, [0.4, 6.5, 9.35], [0.25, 6.45, 9.05]),
  standard('mini ITX', 170 / INCH, 170 / INCH, [0.4, 6.5], [0.25, 6.45]),
]);

/**
 * Screw holes of neighbouring fan corners, by fan size, mm (trade practice, no source: 32, 40, 50,
 * 71.5, 82.5, 105 and 124.5 are common, 154 on most fans of 180 and 200 mm; the largest differ).
 */
export const FAN_PITCH: readonly { readonly size_mm: number; readonly pitch_mm: number }[] = [
  { size_mm: 40, pitch_mm: 32 },
  { size_mm: 50, pitch_mm: 40 },
  { size_mm: 60, pitch_mm: 50 },
  { size_mm: 80, pitch_mm: 71.5 },
  { size_mm: 92, pitch_mm: 82.5 },
  { size_mm: 120, pitch_mm: 105 },
  { size_mm: 140, pitch_mm: 124.5 },
  { size_mm: 180, pitch_mm: 153 },
  { size_mm: 200, pitch_mm: 154 },
  { size_mm: 230, pitch_mm: 170 },
];

/** Sizes of fans that are made, mm: the side of their frame. */
export const FAN_SIZES: readonly number[] = FAN_PITCH.map((f) => f.size_mm);
