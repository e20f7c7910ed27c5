/**
 * Incoherent sum of sound levels, dB: 10 log10 Σ 10^(Li/10). Silence (an empty list) is −Infinity.
 */
export function soundSum(levels_dB: readonly number[]): number {
  const power = levels_dB.reduce((sum, l) => sum + 10 ** (l / 10), 0);
  return power > 0 ? 10 * Math.log10(power) : -Infinity;
}

/**
 * Level of a fan or pump at another speed: + 50 log10(n/n_ref). ASHRAE Handbook, fan laws; for the
 * same point on its curve.
 */
export function soundAtSpeed(level_dB: number, speed_rpm: number, reference_rpm: number): number {
  return speed_rpm > 0 ? level_dB + 50 * Math.log10(speed_rpm / reference_rpm) : -Infinity;
}

/**
 * Level at another distance from a small source in the open: −20 log10(r2/r1). In a room it is an
 * estimate.
 */
export function soundAtDistance(level_dB: number, from_m: number, to_m: number): number {
  return level_dB - 20 * Math.log10(to_m / from_m);
}

/** How a source stands: free in the open, or on a floor or table that reflects. */
export type Radiation = 'sphere' | 'half space';

/**
 * Pressure level at a distance from a sound power level, dB: L_p = L_W − 10 log10(S/1 m²) with S the
 * sphere or half sphere of that radius: − 11 dB and − 8 dB at 1 m (relations of ISO 3744).
 */
export function pressureLevel(power_dB: number, at_m: number, radiation: Radiation): number {
  const share = radiation === 'sphere' ? 4 : 2;
  return power_dB - 10 * Math.log10(share * Math.PI * at_m ** 2);
}
