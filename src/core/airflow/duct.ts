/**
 * Fanning f·Re of developed laminar flow in rectangular channels by aspect ratio α = short/long,
 * 0–1. Shah & London (1978), polynomial; within 0.05 % of the exact solution.
 */
export function ductFanningRe(aspect: number): number {
  const a = aspect;
  return 24 * (1 + a * (-1.3553 + a * (1.9467 + a * (-1.7012 + a * (0.9564 - 0.2537 * a)))));
}
