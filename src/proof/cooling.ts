import ductFile from '@reference/ducts.json';
import entuFile from '@reference/entu.json';
import graetzFile from '@reference/graetz.json';
import practiceFile from '@reference/practice.json';
import wholeFile from '@reference/radiators.json';
import { coreDragTerms, ductFanningRe, fanCurve, rowAlone, type Core } from '@/core/airflow';
import { air, water } from '@/core/fluids';
import {
  counterflowEffectiveness,
  crossflowApproximation,
  crossflowEffectiveness,
  ductNusseltH1,
  ductNusseltT,
  developingNusselt,
  radiatorConductance,
} from '@/core/thermal';
import { absolute, relative, type Case, type ProofValue } from './row';

export function effectivenessRows(): ProofValue[] {
  const cases = entuFile.cases as unknown as Case<
    { NTU: number; Cr: number },
    {
      crossflow_both_unmixed_exact: number;
      crossflow_both_unmixed_approx: number;
      counterflow: number;
    }
  >[];
  return cases.flatMap((c) => {
    const { NTU, Cr } = c.inputs;
    const base = { subject: 'effectiveness–NTU', source: c.source, unit: '–' };
    return [
      absolute(
        {
          ...base,
          id: `${c.id}-exact`,
          quantity: 'crossflow, both unmixed, exact series',
          expected: c.expected.crossflow_both_unmixed_exact,
          got: crossflowEffectiveness(NTU, Cr),
        },
        1e-6,
      ),
      absolute(
        {
          ...base,
          id: `${c.id}-counter`,
          quantity: 'counterflow',
          expected: c.expected.counterflow,
          got: counterflowEffectiveness(NTU, Cr),
        },
        1e-6,
      ),
      ...(Cr > 0
        ? [
            absolute(
              {
                ...base,
                id: `${c.id}-approx`,
                quantity: 'common approximate formula (not used)',
                expected: c.expected.crossflow_both_unmixed_approx,
                got: crossflowApproximation(NTU, Cr),
              },
              1e-6,
            ),
          ]
        : []),
    ];
  });
}

export function ductRows(): ProofValue[] {
  const cases = ductFile.cases as unknown as Case<
    { aspect_ratio?: number },
    { f_fanning_Re?: number; Nu_H1?: number; Nu_T?: number }
  >[];
  return cases.flatMap((c): ProofValue[] => {
    const { inputs: i, expected: e } = c;
    const base = { subject: 'channels', source: c.source, unit: '–' };
    const rows: ProofValue[] = [];
    if (i.aspect_ratio !== undefined && e.f_fanning_Re !== undefined)
      rows.push(
        relative(
          {
            ...base,
            id: `${c.id}-fre`,
            quantity: `f·Re, aspect ${i.aspect_ratio}`,
            expected: e.f_fanning_Re,
            got: ductFanningRe(i.aspect_ratio),
          },
          0.0005,
        ),
      );
    if (i.aspect_ratio !== undefined && e.Nu_T !== undefined)
      rows.push(
        relative(
          {
            ...base,
            id: `${c.id}-nut`,
            quantity: `Nu, walls at one temperature, aspect ${i.aspect_ratio}`,
            expected: e.Nu_T,
            got: ductNusseltT(i.aspect_ratio),
          },
          0.0015,
        ),
      );
    if (i.aspect_ratio !== undefined && e.Nu_H1 !== undefined)
      rows.push(
        relative(
          {
            ...base,
            id: `${c.id}-nuh`,
            quantity: `Nu, even heat, aspect ${i.aspect_ratio}`,
            expected: e.Nu_H1,
            got: ductNusseltH1(i.aspect_ratio),
          },
          0.0015,
        ),
      );
    return rows;
  });
}

/** Entrance of wide plates against the exact series. */
export const graetzRows = (): ProofValue[] =>
  graetzFile.cases.map((c) =>
    relative(
      {
        id: c.id,
        subject: 'channels',
        quantity: `mean Nu between plates from the entrance, x* ${c.inputs.x_star}`,
        source: c.source,
        unit: '–',
        expected: c.expected.Nu_mean_exact,
        got: developingNusselt(c.inputs.x_star, 0),
      },
      0.008,
    ),
  );

/**
 * An ordinary 120 mm, 2,000 rpm fan and a 30 mm deep core, as the common-practice table means them.
 */
const CFM_M3H = 1.699;
const FAN = fanCurve(
  [
    [0, 24.5],
    [17.5 * CFM_M3H, 21.1],
    [35 * CFM_M3H, 16.2],
    [49 * CFM_M3H, 11.3],
    [59.5 * CFM_M3H, 6.4],
    [70 * CFM_M3H, 0],
  ],
  2000,
);
export const practiceCore = (sections: number, fpi: number, depth_mm = 20): Core => ({
  length_mm: 120 * sections,
  width_mm: 118,
  depth_mm,
  fpi,
  finHeight_mm: 6,
  finThickness_mm: 0.05,
  tubeHeight_mm: 1.6,
  tubeWall_mm: 0.2,
  finConductivity_WmK: 340,
  passes: 2,
  finHeatFactor: 1.4,
  finDragFactor: 1.2,
});

export function practiceConductance(
  core: Core,
  sections: number,
  speed_rpm: number,
  inRow = 1,
): number {
  const a = air(25),
    w = water(32);
  const { flow_m3h } = rowAlone(
    {
      id: 'radiator',
      air: 'in',
      chamber: 'main',
      fans: Array.from({ length: inRow }, () => ({ curve: FAN, speed_rpm })),
      count: sections,
      face_m2: 0.12 * 0.118,
      drag: coreDragTerms(core, a),
    },
    a.density_kgm3,
  );
  return radiatorConductance(core, {
    airFlow_m3h: flow_m3h,
    coolantFlow_Lmin: 3.8,
    air: a,
    coolant: w,
  }).conductance_WK;
}

export function radiatorRows(): ProofValue[] {
  const cases = practiceFile.cases as unknown as Case<
    { sections: number; fpi: number; speed_rpm: number },
    { conductance_WK: number }
  >[];
  return cases
    .filter((c) => c.id.startsWith('practice'))
    .map((c) =>
      absolute(
        {
          id: c.id,
          subject: 'radiators',
          quantity: c.description ?? c.id,
          source: c.source,
          unit: 'W/K',
          expected: c.expected.conductance_WK,
          got: practiceConductance(
            practiceCore(c.inputs.sections, c.inputs.fpi),
            c.inputs.sections,
            c.inputs.speed_rpm,
          ),
        },
        (c as unknown as { tolerance: { abs: number } }).tolerance.abs,
      ),
    );
}

/** Whole states of a radiator, from its geometry to W/K. */
export const wholeRadiatorRows = (): ProofValue[] =>
  wholeFile.cases.map(({ id, inputs: i, expected, source }) =>
    relative(
      {
        id,
        subject: 'radiators',
        quantity: `${i.core.length_mm} mm, ${i.core.fpi} to the inch, ${i.airFlow_m3h} m³/h, ${i.coolantFlow_Lmin} L/min`,
        source,
        unit: 'W/K',
        expected: expected.conductance_WK,
        got: radiatorConductance(i.core, {
          airFlow_m3h: i.airFlow_m3h,
          coolantFlow_Lmin: i.coolantFlow_Lmin,
          air: i.air,
          coolant: i.coolant,
          factors: { airFlow: i.airFactor, conductance: i.conductanceFactor },
        }).conductance_WK,
      },
      1e-5,
    ),
  );
