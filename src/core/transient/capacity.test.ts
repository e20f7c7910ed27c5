import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { coolantProperties } from '../fluids';
import { coreOf } from '../thermal';
import type { CasePart } from '../components';
import type { Design } from '../design';
import { blockCapacity, bodyCapacity, caseCapacity, radiatorCapacity } from './capacity';
import { runTransient, type Scenario } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const analysis = analyse(desk);
const run = (scenario: Scenario) => {
  const t = runTransient(
    analysis.thermalModel,
    analysis.reports.flow,
    analysis.reports.runs,
    scenario,
  );
  if (!t) throw new Error('stopped');
  return t;
};

describe('heat capacities, by hand', () => {
  /** 20 × 40 × 10 mm: 8 cm³, a third copper of 8.96 g: 23.9 g × 0.385 = 9.20 J/K. */
  test('a block is a third copper', () => {
    const part = { ...catalogued('block', 'blk-hearth-cpu'), size: [20, 40, 10] as const };
    expect(blockCapacity(part)).toBeCloseTo(9.2, 2);
  });

  /**
   * Core 100 × 100 × 20 mm: 200 cm³ × 0.8 g × 0.385 = 61.6 J/K; around it 300 − 200 cm³ × 0.6 g ×
   * 0.38 = 22.8 J/K.
   */
  test('a radiator is its core, tanks and frame', () => {
    const part = catalogued('radiator', 'rad-mill-360-30');
    const core = { ...coreOf(part), length_mm: 100, width_mm: 100, depth_mm: 20 };
    expect(radiatorCapacity({ ...part, size: [100, 100, 30] }, core)).toBeCloseTo(84.4, 6);
  });

  /** 100 cm³ around 40 mL: 60 cm³ × 0.6 g × 1.4 = 50.4 J/K. */
  test('a body that holds coolant is what is not coolant', () => {
    const part = catalogued('reservoir', 'res-osier-200');
    expect(bodyCapacity({ ...part, size: [100, 100, 10], volume_mL: 40 })).toBeCloseTo(50.4, 6);
  });

  /** A cube of 0.5 m of 1 mm steel: 1.5 m² × 0.001 × 3.85e6 = 5,775 J/K; a glass side of 4 mm. */
  test('a case is its six sides, of steel or glass', () => {
    const cube = { interior: [500, 500, 500], panels_mm: {} } as unknown as CasePart;
    expect(caseCapacity(cube)).toBeCloseTo(5775, 6);
    const glass = caseCapacity({ ...cube, panels_mm: { side: 4 } });
    expect(glass - 5775).toBeCloseTo(0.25 * (0.004 * 2.1e6 - 0.001 * 3.85e6), 6);
  });
});

describe('what a run says it warms', () => {
  const t = run({ profile: [{ load: 'render', seconds: 5400 }], start: 'cold' });
  const massOf = (of: string): number => t.masses.find((m) => m.of === of)?.capacity_JK ?? NaN;

  test('coolant: all that the list counts, by its density and heat capacity', () => {
    const [volume] = analysis.reports.bom.volumes,
      [loop] = analysis.reports.flow.loops;
    const fluid = coolantProperties(
      desk.loops[0]?.coolant.base ?? { glycol: 'none', volumeShare: 0 },
      loop?.coolant_C ?? 30,
    );
    const expected =
      ((volume?.total_mL ?? NaN) * fluid.density_kgm3 * fluid.heatCapacity_JkgK) / 1e6;
    // Joints are given half a joule, so that the equations stay sound.
    expect(Math.abs(massOf('coolant') / expected - 1)).toBeLessThan(0.002);
  });

  /**
   * One tank: τ = C/K within the spread of one. Heat of the whole warm mass over the rise it ends
   * at is K, its capacity C; metal of the case lags, so the truth lies between loop and all.
   */
  test('the time constant is capacity over conductance', () => {
    const [settling] = t.settling;
    const [loop] = analysis.reports.heat.render.loops;
    const K = (loop?.heatIn_W ?? NaN) / (loop?.deltaT_K ?? NaN);
    const inLoop = massOf('coolant') + massOf('radiators') + massOf('blocks');
    expect(settling?.tau_s ?? NaN).toBeGreaterThan((0.7 * inLoop) / K);
    expect(settling?.tau_s ?? NaN).toBeLessThan((1.5 * (inLoop + massOf('case'))) / K);
    expect(settling?.t90_s ?? NaN).toBeGreaterThan(2 * (settling?.tau_s ?? NaN));
    // Builders wait 15 to 40 minutes for a settled loop (common practice, no source); an ideal room
    // does not warm.
    expect((settling?.steady_s ?? NaN) / 60).toBeGreaterThan(8);
    expect((settling?.steady_s ?? NaN) / 60).toBeLessThan(40);
  });
});
