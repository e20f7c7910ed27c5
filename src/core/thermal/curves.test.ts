import { describe, expect, test } from '@jest/globals';
import { DEMO_BUILDS, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { Design } from '../design';
import { air, coolantProperties, water } from '../fluids';
import { coolingCurves, prepareHeat, radiatorConductance } from '.';
import { blockResistanceIn } from './block';
import { compareRating } from './rating';
import { withArea } from './steady';
import { coreOf, type RadiatorSetup, type ThermalModel } from './thermalModel';

const desk = analyse(demoDesign('dawn-chorus-desk') as Design);
const { thermalModel, reports } = desk;
const changed = (f: (r: RadiatorSetup) => RadiatorSetup): ThermalModel => ({
  ...thermalModel,
  radiators: thermalModel.radiators.map(f),
});
const largest = thermalModel.radiators.reduce((a, b) => (b.sections > a.sections ? b : a));
const curveOf = (model: ThermalModel, id: string) =>
  coolingCurves(model, reports.flow, 'stress').find((c) => c.id === id);

describe('curves of machines that are not built', () => {
  test('one section more is the same machine with that section really in it', () => {
    const built = changed((r) =>
      r.id === largest.id
        ? {
            ...r,
            sections: r.sections + 1,
            core: coreOf(r.part, r.sections + 1),
            fans: r.fans.map((f) => ({ ...f, count: r.sections + 1 })),
          }
        : r,
    );
    expect(curveOf(thermalModel, 'more')?.points).toEqual(curveOf(built, 'now')?.points);
  });

  test('fans in push-pull are the same fans once more on each radiator that has one face full', () => {
    const both = changed((r) => ({ ...r, fans: [...r.fans, ...r.fans] }));
    const offered = curveOf(thermalModel, 'push-pull');
    expect(offered?.points).toEqual(curveOf(both, 'now')?.points);
    expect(offered?.points).not.toEqual(curveOf(thermalModel, 'now')?.points);
    expect(curveOf(both, 'push-pull')).toBeUndefined();
  });

  test('a radiator that has push-pull full stays as it is beside one that has not', () => {
    const mixed = changed((r) =>
      r.id === largest.id ? { ...r, fans: [...r.fans, ...r.fans] } : r,
    );
    const both = changed((r) => ({ ...r, fans: [...r.fans, ...r.fans] }));
    expect(curveOf(mixed, 'push-pull')?.points).toEqual(curveOf(both, 'now')?.points);
  });

  test('what was measured of the machine is on every radiator, modelled or measured on a bench', () => {
    const bench = {
      against: 'air' as const,
      points: [[100, 4, 20] as const],
      source: 'invented',
    };
    for (const model of [
      thermalModel,
      changed((r) => ({ ...r, part: { ...r.part, measured: bench } })),
    ]) {
      const printed = prepareHeat(model, reports.flow).conductances;
      const here = prepareHeat({ ...model, measuredHere: 0.8 }, reports.flow).conductances;
      here.forEach((c, i) => expect(c.k).toBeCloseTo(0.8 * (printed[i]?.k ?? NaN), 9));
      const twice = withArea(prepareHeat({ ...model, measuredHere: 0.8 }, reports.flow), 2);
      const plain = withArea(prepareHeat(model, reports.flow), 2);
      twice.conductances.forEach((c, i) =>
        expect(c.k).toBeCloseTo(0.8 * (plain.conductances[i]?.k ?? NaN), 9),
      );
    }
  });

  test('more area of a radiator that no coolant goes through still passes nothing', () => {
    const still = {
      ...reports.flow,
      links: reports.flow.links.map((l) => ({ ...l, flow_Lmin: 0 })),
    };
    const twice = withArea(prepareHeat(thermalModel, still), 2);
    expect(twice.conductances.map((c) => c.k)).toEqual(twice.conductances.map(() => 0));
  });

  /** By hand: with an exponent over 1/3 all of a block's resistance is the coolant's side. */
  test("a block's coolant side is at most the whole of it", () => {
    const law = { atReference_KW: 0.05, reference_Lmin: 4, exponent: 0.6 };
    const glycol = coolantProperties({ glycol: 'propylene', volumeShare: 0.3 }, 30);
    const reference = water(25);
    const graetz = (f: typeof glycol): number =>
      (f.density_kgm3 * f.heatCapacity_JkgK) / f.conductivity_WmK;
    const side =
      (reference.conductivity_WmK / glycol.conductivity_WmK) *
      (graetz(reference) / graetz(glycol)) ** (1 / 3);
    expect(blockResistanceIn(law, 4, glycol) / 0.05).toBeCloseTo(side, 9);
    expect(side).toBeGreaterThan(1.1);
  });

  test('area by a factor has fans by that factor', () => {
    for (const { design } of DEMO_BUILDS) {
      const analysis = analyse(design);
      const twice = withArea(prepareHeat(analysis.thermalModel, analysis.reports.flow), 2);
      twice.thermalModel.radiators.forEach((r, i) =>
        expect(r.fans.map((f) => f.count)).toEqual(
          analysis.thermalModel.radiators[i]?.fans.map((f) => 2 * f.count),
        ),
      );
    }
  });

  test('without coolant through it a radiator has no effectiveness at all', () => {
    const still = radiatorConductance(largest.core, {
      airFlow_m3h: 100,
      coolantFlow_Lmin: 0,
      air: air(25),
      coolant: water(30),
    });
    expect([still.conductance_WK, still.effectiveness, still.ntu]).toEqual([0, 0, 0]);
  });

  test('a rating says nothing of a radiator without fans, or of none', () => {
    const rating = { heat_W: 300, difference_K: 15, speed_rpm: 1200 };
    const bare = changed((r) => ({ ...r, fans: [] }));
    expect(compareRating(bare, reports.flow, largest.id, rating)).toBeNull();
    expect(compareRating(thermalModel, reports.flow, 'ghost', rating)).toBeNull();
    expect(compareRating(thermalModel, reports.flow, largest.id, rating)?.printed_WK).toBe(20);
  });
});
