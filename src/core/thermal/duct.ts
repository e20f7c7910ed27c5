/**
 * Laminar heat transfer in rectangular channels by aspect ratio α = short/long, 0–1. Shah & London
 * (1978), polynomials.
 */

/** Nusselt number of developed flow, walls at one temperature. Within 0.1 %. */
export function ductNusseltT(aspect: number): number {
  const a = aspect;
  return 7.541 * (1 + a * (-2.61 + a * (4.97 + a * (-5.119 + a * (2.702 - 0.548 * a)))));
}

/** Nusselt number of developed flow, same heat along the walls (H1). Within 0.1 %. */
export function ductNusseltH1(aspect: number): number {
  const a = aspect;
  return 8.235 * (1 + a * (-2.0421 + a * (3.0853 + a * (-2.4765 + a * (1.0578 - 0.1861 * a)))));
}

/**
 * Hausen (1943): mean Nusselt number of a round tube from its entrance, uniform wall temperature;
 * x* = (x/D)/(Re Pr). 10 % high at x* = 0.001, 1.4 % at 0.2.
 */
export function hausen(xStar: number, developed = 3.66): number {
  const gz = 1 / xStar;
  return developed + (0.0668 * gz) / (1 + 0.04 * gz ** (2 / 3));
}

/**
 * Turbulent heat transfer in a smooth tube. Gnielinski (1976), Re 2,300–5e6, Pr 0.5–2,000, with
 * Petukhov's friction factor.
 */
export function gnielinski(re: number, pr: number): number {
  const f = (0.79 * Math.log(re) - 1.64) ** -2;
  return ((f / 8) * (re - 1000) * pr) / (1 + 12.7 * Math.sqrt(f / 8) * (pr ** (2 / 3) - 1));
}

/** Developed laminar flow between wide plates at one temperature (Shah & London 1978: 7.54). */
const FLAT_LAMINAR = 7.54;
const LAMINAR_TO = 2300,
  TURBULENT_FROM = 10_000;

/**
 * Nusselt number inside a flat tube. Between Re 2,300 and 10,000 laminar and turbulent values are
 * weighed by intermittency, γ = (Re − 2,300)/(10,000 − 2,300) (Gnielinski 1995; VDI Heat Atlas G1,
 * from memory): it never jumps.
 */
export function flatTubeNusselt(re: number, pr: number): number {
  if (re <= LAMINAR_TO) return FLAT_LAMINAR;
  if (re >= TURBULENT_FROM) return gnielinski(re, pr);
  const turbulent = (re - LAMINAR_TO) / (TURBULENT_FROM - LAMINAR_TO);
  return (1 - turbulent) * FLAT_LAMINAR + turbulent * gnielinski(TURBULENT_FROM, pr);
}
