import { soundSum } from './level';
import { aWeighting } from './weighting';

/** Middles of octave bands, Hz (IEC 61260-1). */
export const OCTAVES_HZ = [63, 125, 250, 500, 1000, 2000, 4000, 8000] as const;
/** Levels by octave band, dB, in the order of OCTAVES_HZ. */
export type Bands = readonly number[];

const WEIGHTS_DB: Bands = OCTAVES_HZ.map(aWeighting);

/** A-weighted sum of octave bands, dBA. */
export const weightedSum = (bands_dB: Bands): number =>
  soundSum(bands_dB.map((level, i) => level + (WEIGHTS_DB[i] as number)));

/**
 * Shapes where a part's papers give no spectrum, dB against each other: a small axial fan's broad
 * noise falls from low bands on; a pump hums about 500 Hz (common practice, no source).
 */
export const SHAPES = {
  fan: [0, 0, -1, -3, -6, -10, -16, -24],
  pump: [-10, -6, -3, 0, -2, -6, -12, -20],
} as const satisfies Record<string, Bands>;

/**
 * A shape at another speed: its pitch goes with the speed, by octaves; between bands straight,
 * beyond the ends held.
 */
export function pitched(shape_dB: Bands, speed: number): Bands {
  if (!(speed > 0)) return shape_dB;
  const octaves = Math.log2(speed),
    last = shape_dB.length - 1;
  return shape_dB.map((_, i) => {
    const at = Math.min(last, Math.max(0, i - octaves)),
      low = Math.min(last - 1, Math.floor(at));
    const [a, b] = [shape_dB[low] as number, shape_dB[low + 1] as number];
    return a + (at - low) * (b - a);
  });
}

/** A shape raised or lowered until its A-weighted sum is a level, dBA. */
export function bandsAt(level_dBA: number, shape_dB: Bands): Bands {
  const by = level_dBA - weightedSum(shape_dB);
  return shape_dB.map((b) => b + by);
}
