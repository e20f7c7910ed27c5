import airFile from '@reference/air.json';
import condeFile from '@reference/conde.json';
import glycolFile from '@reference/glycol.json';
import waterFile from '@reference/water.json';
import { air, glycolMix, glycolMixConde, water, type FluidProperties } from '@/core/fluids';
import { relative, type Case, type ProofValue } from './row';

interface Expected {
  density_kg_m3: number;
  dynamic_viscosity_Pa_s: number;
  cp_J_kgK: number;
  conductivity_W_mK: number;
}

const rowsOf = (
  subject: string,
  id: string,
  source: string,
  e: Expected,
  f: FluidProperties,
  tolerance: readonly [number, number, number, number],
): ProofValue[] => [
  relative(
    {
      id: `${id}-density`,
      subject,
      quantity: 'density',
      source,
      unit: 'kg/m³',
      expected: e.density_kg_m3,
      got: f.density_kgm3,
    },
    tolerance[0],
  ),
  relative(
    {
      id: `${id}-viscosity`,
      subject,
      quantity: 'viscosity',
      source,
      unit: 'mPa·s',
      expected: e.dynamic_viscosity_Pa_s * 1000,
      got: f.viscosity_Pas * 1000,
    },
    tolerance[1],
  ),
  relative(
    {
      id: `${id}-cp`,
      subject,
      quantity: 'heat capacity',
      source,
      unit: 'J/(kg·K)',
      expected: e.cp_J_kgK,
      got: f.heatCapacity_JkgK,
    },
    tolerance[2],
  ),
  relative(
    {
      id: `${id}-k`,
      subject,
      quantity: 'conductivity',
      source,
      unit: 'W/(m·K)',
      expected: e.conductivity_W_mK,
      got: f.conductivity_WmK,
    },
    tolerance[3],
  ),
];

export function waterRows(): ProofValue[] {
  return (waterFile.cases as unknown as Case<{ temperature_C: number }, Expected>[]).flatMap((c) =>
    rowsOf(
      'water',
      c.id,
      c.source,
      c.expected,
      water(c.inputs.temperature_C),
      [1e-5, 5e-5, 1e-3, 5e-5],
    ),
  );
}

export function glycolRows(): ProofValue[] {
  const cases = glycolFile.cases as unknown as Case<
    { glycol: string; mass_fraction: number; temperature_C: number },
    Expected
  >[];
  return cases.flatMap((c) =>
    rowsOf(
      'glycol mixes',
      c.id,
      `${c.source} (coefficients from memory of Melinder 2010)`,
      c.expected,
      glycolMix(
        c.inputs.glycol.startsWith('ethylene') ? 'ethylene' : 'propylene',
        c.inputs.mass_fraction,
        c.inputs.temperature_C,
      ),
      [1e-9, 1e-9, 1e-9, 1e-9],
    ),
  );
}

export function airRows(): ProofValue[] {
  const cases = airFile.cases as unknown as Case<
    { temperature_C: number; altitude_m: number; relative_humidity?: number },
    Expected
  >[];
  return cases
    .filter(
      (c) =>
        c.expected.dynamic_viscosity_Pa_s !== undefined && c.expected.density_kg_m3 !== undefined,
    )
    .flatMap((c) =>
      rowsOf(
        'air',
        c.id,
        c.source,
        c.expected,
        air(c.inputs.temperature_C, c.inputs.altitude_m),
        [0.0008, 0.006, 0.0012, 0.011],
      ),
    );
}

/** The second opinion on glycol, which is shown and not used. */
export const condeRows = (): ProofValue[] =>
  condeFile.cases.flatMap((c) =>
    rowsOf(
      'glycol mixes',
      c.id,
      c.source,
      c.expected,
      glycolMixConde(c.inputs.glycol as 'ethylene', c.inputs.mass_fraction, c.inputs.temp_C),
      [1e-9, 1e-9, 1e-9, 1e-9],
    ),
  );
