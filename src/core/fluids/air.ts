import { ZERO_C_K } from '../units';
import type { FluidProperties } from './properties';

/** Specific gas constant of dry air, J/(kg·K) (ISO 2533 standard atmosphere). */
const R_AIR = 287.05287;

/**
 * Pressure of the standard atmosphere, Pa, −500–11,000 m. ISO 2533 / ASHRAE Handbook Fundamentals
 * ch. 1.
 */
export function standardPressure(altitude_m: number): number {
  return 101325 * (1 - 2.25577e-5 * altitude_m) ** 5.2559;
}

/**
 * Dry air, −20–80 °C, as an ideal gas at the altitude's standard pressure. Viscosity: Sutherland
 * (1893), constants of ISO 2533; conductivity: the same standard's formula. Within 0.6 %
 * (viscosity) and 1 % (conductivity) of the Lemmon equation of state.
 */
export function air(t_C: number, altitude_m = 0): FluidProperties {
  const t = t_C + ZERO_C_K;
  return {
    density_kgm3: standardPressure(altitude_m) / (R_AIR * t),
    viscosity_Pas: (1.458e-6 * t ** 1.5) / (t + 110.4),
    heatCapacity_JkgK: 1006,
    conductivity_WmK: (2.64638e-3 * t ** 1.5) / (t + 245.4 * 10 ** (-12 / t)),
  };
}
