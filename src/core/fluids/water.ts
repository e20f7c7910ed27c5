import { ZERO_C_K } from '../units';
import type { FluidProperties } from './properties';

/**
 * Density of water at 1 atm, kg/m³, 0–100 °C. Kell (1975), J. Chem. Eng. Data 20, 97; coefficients
 * from memory, checked in reference/water.json.
 */
export function waterDensity(t_C: number): number {
  const numerator =
    999.83952 +
    t_C *
      (16.945176 +
        t_C *
          (-7.9870401e-3 + t_C * (-46.170461e-6 + t_C * (105.56302e-9 + t_C * -280.54253e-12))));
  return numerator / (1 + 16.87985e-3 * t_C);
}

const VISCOSITY_TERMS: readonly (readonly [number, number])[] = [
  [280.68, -1.9],
  [511.45, -7.7],
  [61.131, -19.6],
  [0.45903, -40],
];

/**
 * Dynamic viscosity of water at 0.1 MPa, Pa·s, −20–110 °C. IAPWS (2008), formula for liquid water
 * at 0.1 MPa.
 */
export function waterViscosity(t_C: number): number {
  const x = (t_C + ZERO_C_K) / 300;
  return 1e-6 * VISCOSITY_TERMS.reduce((sum, [a, b]) => sum + a * x ** b, 0);
}

const CONDUCTIVITY_TERMS: readonly (readonly [number, number])[] = [
  [1.663, -1.15],
  [-1.7781, -3.4],
  [1.1567, -6],
  [-0.432115, -7.6],
];

/**
 * Thermal conductivity of water at 0.1 MPa, W/(m·K), 0–110 °C. IAPWS SR6-08 (2011), from memory,
 * checked in reference/water.json.
 */
export function waterConductivity(t_C: number): number {
  const x = (t_C + ZERO_C_K) / 300;
  return CONDUCTIVITY_TERMS.reduce((sum, [c, d]) => sum + c * x ** d, 0);
}

/**
 * Heat capacity of water at 0.1 MPa, J/(kg·K), 0–100 °C. Popiel & Wojtkowiak (1998), Heat Transfer
 * Engineering 19(3), from memory.
 */
export function waterHeatCapacity(t_C: number): number {
  const t = Math.max(0, t_C);
  return (
    1000 *
    (4.2174356 -
      0.0056181625 * t +
      0.0012992528 * t ** 1.5 -
      0.00011535353 * t ** 2 +
      4.14964e-6 * t ** 2.5)
  );
}

/** All four properties of water at t_C, 0–100 °C, 0.1 MPa. */
export function water(t_C: number): FluidProperties {
  return {
    density_kgm3: waterDensity(t_C),
    viscosity_Pas: waterViscosity(t_C),
    heatCapacity_JkgK: waterHeatCapacity(t_C),
    conductivity_WmK: waterConductivity(t_C),
  };
}
