import frictionFile from '@reference/friction.json';
import minorFile from '@reference/minor.json';
import {
  bendK,
  ENTRY_K,
  churchill,
  colebrook,
  contractionK,
  craneFt,
  expansionK,
  frictionFactor,
  CRANE_MULTIPLES,
  haaland,
  minorLoss,
} from '@/core/hydraulics';
import { absolute, relative, type Case, type ProofValue } from './row';

interface Friction {
  laminar_64_over_Re: number;
  colebrook_f: number;
  churchill_f: number;
  haaland_f: number;
  epanet_f: number;
}

export function frictionRows(): ProofValue[] {
  const cases = frictionFile.cases as unknown as Case<
    { Re: number; relative_roughness: number },
    Friction
  >[];
  return cases.flatMap((c) => {
    const { Re, relative_roughness: e } = c.inputs;
    const base = { subject: 'friction', source: c.source, unit: '–' };
    const rows = [
      relative(
        {
          ...base,
          id: `${c.id}-churchill`,
          quantity: 'Churchill (second opinion)',
          expected: c.expected.churchill_f,
          got: churchill(Re, e),
        },
        1e-9,
      ),
    ];
    if (Re <= 2000)
      rows.push(
        relative(
          {
            ...base,
            id: `${c.id}-used`,
            quantity: 'factor used, laminar',
            expected: c.expected.laminar_64_over_Re,
            got: frictionFactor(Re, e),
          },
          1e-9,
        ),
      );
    else if (Re >= 4000) {
      rows.push(
        relative(
          {
            ...base,
            id: `${c.id}-used`,
            quantity: 'factor used, Colebrook',
            expected: c.expected.colebrook_f,
            got: frictionFactor(Re, e),
          },
          1e-9,
        ),
      );
      rows.push(
        relative(
          {
            ...base,
            id: `${c.id}-haaland`,
            quantity: 'Haaland (first guess)',
            expected: c.expected.haaland_f,
            got: haaland(Re, e),
          },
          1e-9,
        ),
      );
    } else
      rows.push(
        relative(
          {
            ...base,
            id: `${c.id}-used`,
            quantity: "factor used, between regimes, against EPANET's cubic",
            expected: c.expected.epanet_f,
            got: frictionFactor(Re, e),
          },
          0.035,
        ),
      );
    return rows;
  });
}

interface Minor {
  K_on_small_bore?: number;
  loss_Pa?: number;
  K_crane_0p5?: number;
  loss_Pa_crane?: number;
  fT?: number;
  K?: number;
  K_proportional?: number;
  friction_Pa?: number;
  total_Pa?: number;
}
interface MinorIn {
  d1_mm?: number;
  d2_mm?: number;
  flow_L_min?: number;
  density?: number;
  bore_mm?: number;
  roughness_mm?: number;
  r_over_d?: number;
  angle_deg?: number;
}

export function minorRows(): ProofValue[] {
  const cases = minorFile.cases as unknown as Case<MinorIn, Minor>[];
  return cases.flatMap((c): ProofValue[] => {
    const { inputs: i, expected: e } = c;
    const base = { subject: 'minor losses', source: c.source };
    const row = (
      id: string,
      quantity: string,
      unit: string,
      expected: number,
      got: number,
      tolerance = 1e-6,
    ): ProofValue =>
      relative({ ...base, id: `${c.id}-${id}`, quantity, unit, expected, got }, tolerance);
    const bore = i.bore_mm ?? 0;
    if (e.K_on_small_bore !== undefined && i.d1_mm && i.d2_mm) {
      return [
        row('k', 'K of a widening', '–', e.K_on_small_bore, expansionK(i.d1_mm, i.d2_mm)),
        row(
          'loss',
          'loss of a widening',
          'Pa',
          e.loss_Pa as number,
          minorLoss(expansionK(i.d1_mm, i.d2_mm), i.flow_L_min ?? 0, i.d1_mm, i.density ?? 0),
          1e-9,
        ),
      ];
    }
    if (e.K_crane_0p5 !== undefined && i.d1_mm && i.d2_mm)
      return [
        row('k', 'K of a narrowing', '–', e.K_crane_0p5, contractionK(i.d1_mm, i.d2_mm)),
        row(
          'loss',
          'loss of a narrowing',
          'Pa',
          e.loss_Pa_crane as number,
          minorLoss(contractionK(i.d1_mm, i.d2_mm), i.flow_L_min ?? 0, i.d2_mm, i.density ?? 0),
          1e-9,
        ),
      ];
    if (e.fT !== undefined && i.roughness_mm && i.r_over_d === undefined)
      return [
        row(
          'ft',
          'friction in full turbulence, fT',
          '–',
          e.fT,
          craneFt(bore, i.roughness_mm),
          1e-9,
        ),
      ];
    if (c.id.startsWith('bend90'))
      return [
        row(
          'k',
          `K of a 90° bend, r/d ${i.r_over_d}`,
          '–',
          e.K as number,
          bendK((i.r_over_d as number) * bore, bore, 90),
          1e-9,
        ),
        row(
          'loss',
          'loss of the bend',
          'Pa',
          e.loss_Pa as number,
          minorLoss(
            bendK((i.r_over_d as number) * bore, bore, 90),
            i.flow_L_min as number,
            bore,
            i.density as number,
          ),
          1e-9,
        ),
      ];
    if (e.K_proportional !== undefined)
      return [
        row(
          'k',
          `K of a ${i.angle_deg}° bend, in proportion`,
          '–',
          e.K_proportional,
          bendK((i.r_over_d as number) * bore, bore, i.angle_deg as number),
          1e-9,
        ),
      ];
    const piece = PIECES.find(([stem]) => c.id.startsWith(stem));
    if (piece && e.K !== undefined)
      return [row('k', piece[2], '–', e.K, CRANE_MULTIPLES[piece[1]] * craneFt(bore), 1e-4)];
    if (c.id.startsWith('entry-sharp'))
      return [
        absolute(
          {
            ...base,
            id: c.id,
            quantity: 'loss of a sharp entry',
            unit: 'Pa',
            expected: e.loss_Pa as number,
            got: minorLoss(ENTRY_K, i.flow_L_min as number, bore, i.density as number),
          },
          1e-9,
        ),
      ];
    return [];
  });
}

const PIECES: readonly (readonly [string, keyof typeof CRANE_MULTIPLES, string])[] = [
  ['tee-run', 'teeThrough', 'K of a tee, through'],
  ['tee-branch', 'teeBranch', 'K of a tee, branch'],
  ['elbow90', 'elbow90', 'K of a 90° elbow'],
  ['elbow45', 'elbow45', 'K of a 45° elbow'],
  ['ball-valve-full', 'ballValve', 'K of a full-bore ball valve'],
];

/** Also shown in the tests: Colebrook's own equation at a random point. */
export const colebrookResidual = (re: number, e: number): number => {
  const f = colebrook(re, e);
  return 1 / Math.sqrt(f) + 2 * Math.log10(e / 3.7 + 2.51 / (re * Math.sqrt(f)));
};
