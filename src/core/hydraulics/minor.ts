import { LMIN_TO_M3S } from '../units';

/** Mean speed in a round bore, m/s. */
export function boreSpeed(flow_Lmin: number, bore_mm: number): number {
  const d = bore_mm / 1000;
  return (flow_Lmin * LMIN_TO_M3S) / ((Math.PI / 4) * d * d);
}

/** Total-pressure loss of a fitting, Pa: K ρ v²/2, with K on the bore it is given for. */
export function minorLoss(
  k: number,
  flow_Lmin: number,
  bore_mm: number,
  density_kgm3: number,
): number {
  const v = boreSpeed(flow_Lmin, bore_mm);
  return (k * density_kgm3 * v * v) / 2;
}

/** K of a sudden widening, on the smaller bore. Borda–Carnot. */
export function expansionK(small_mm: number, large_mm: number): number {
  return (1 - (small_mm / large_mm) ** 2) ** 2;
}

/**
 * K of a sudden narrowing with a sharp edge, on the smaller bore. Crane TP-410: 0.5 (1 − β²).
 * Published formulas differ by up to 0.2.
 */
export function contractionK(large_mm: number, small_mm: number): number {
  return 0.5 * (1 - (small_mm / large_mm) ** 2);
}

/** Roughness of the commercial steel pipe behind Crane's fT, mm. */
const STEEL_ROUGHNESS_MM = 0.0457;

/**
 * Crane TP-410's friction factor in full turbulence, fT. For bores of 8–13 mm it is an
 * extrapolation below the published table.
 */
export function craneFt(bore_mm: number, roughness_mm = STEEL_ROUGHNESS_MM): number {
  return 0.25 / Math.log10(roughness_mm / bore_mm / 3.7) ** 2;
}

/** Multiples of fT of a 90° bend by radius over bore. Crane TP-410 p. A-29, from memory. */
const BEND_MULTIPLES: readonly (readonly [number, number])[] = [
  [1, 20],
  [1.5, 14],
  [2, 12],
  [3, 12],
  [4, 14],
  [6, 17],
  [8, 24],
  [10, 30],
  [12, 34],
  [14, 38],
  [16, 42],
  [20, 50],
];

function bendMultiple(ratio: number): number {
  const first = BEND_MULTIPLES[0] as readonly [number, number];
  const last = BEND_MULTIPLES[BEND_MULTIPLES.length - 1] as readonly [number, number];
  if (ratio <= first[0]) return first[1];
  if (ratio >= last[0]) return last[1];
  const upper = BEND_MULTIPLES.findIndex(([r]) => r >= ratio);
  const [r0, k0] = BEND_MULTIPLES[upper - 1] as readonly [number, number];
  const [r1, k1] = BEND_MULTIPLES[upper] as readonly [number, number];
  return k0 + ((k1 - k0) * (ratio - r0)) / (r1 - r0);
}

/**
 * K of a smooth bend of any angle, on the tube's bore: Crane TP-410 by r/d, in proportion to the
 * angle. Ratios outside 1–20 use the nearer end.
 */
export function bendK(radius_mm: number, bore_mm: number, angle_deg: number): number {
  return bendMultiple(radius_mm / bore_mm) * craneFt(bore_mm) * (angle_deg / 90);
}

/**
 * What a bend costs beyond the length of its arc: Crane's K holds that length, π/2 r/d in full
 * turbulence for 90°, and a run's cut length counts it already. Ratios outside 1–20 use the nearer
 * end for both.
 */
export function bendExtraK(radius_mm: number, bore_mm: number, angle_deg: number): number {
  const ratio = Math.min(BEND_RATIOS.most, Math.max(BEND_RATIOS.least, radius_mm / bore_mm));
  const beyond = Math.max(0, bendMultiple(ratio) - (Math.PI / 2) * ratio);
  return beyond * craneFt(bore_mm) * (angle_deg / 90);
}
/** Radius over bore that Crane's table spans. */
export const BEND_RATIOS = { least: 1, most: 20 } as const;

/** Multiples of fT for pieces of fittings. Crane TP-410, from memory. */
export const CRANE_MULTIPLES = {
  elbow90: 30,
  elbow45: 16,
  teeThrough: 20,
  teeBranch: 60,
  ballValve: 3,
} as const;

/** K of a sharp entry into a bore (Crane TP-410; common to every handbook). */
export const ENTRY_K = 0.5;
