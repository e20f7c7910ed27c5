import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, demoDesign } from '@/catalogue';
import { applyEdit, withoutRoutes, type Design } from '../design';
import { evaluate, analyse } from '../analysis';
import { worstRise } from '../thermal';
import { bestUse, candidates, evaluateVariants, type EvaluatedVariant } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const all = evaluateVariants(desk, CATALOGUE);
const of = (id: string): EvaluatedVariant => {
  const c = all.find((x) => x.id === id);
  if (!c) throw new Error(`no change ${id} among ${all.map((x) => x.id).join(' ')}`);
  return c;
};

describe('what one change would do', () => {
  test('every kind of change is among the candidates', () => {
    expect(new Set(candidates(desk, CATALOGUE).map((c) => c.kind))).toEqual(
      new Set(['fans', 'core', 'section', 'push-pull', 'direction', 'pump speed', 'loops']),
    );
    expect(candidates(tower, CATALOGUE).some((c) => c.id === 'loops-joined')).toBe(true);
    const bare = applyEdit(
      applyEdit(desk, { do: 'component.remove', component: 'rear-fan' }).design,
      {
        do: 'component.remove',
        component: 'top-radiator',
      },
    ).design;
    expect(new Set(candidates(bare, CATALOGUE).map((c) => c.kind))).toEqual(
      new Set([
        'fans',
        'core',
        'section',
        'radiator',
        'push-pull',
        'direction',
        'case fan',
        'pump speed',
      ]),
    );
  });

  test('ids are unique, and each figure is the difference of two evaluations', () => {
    expect(new Set(all.map((c) => c.id)).size).toBe(all.length);
    const rise = (b: Design): number =>
      worstRise(evaluate(b).reports.heat[b.brief.loadCase]) ?? NaN;
    const by = (c: EvaluatedVariant, basis: (b: Design) => Design): number =>
      rise(basis(applyEdit(desk, c.edit).design)) - rise(basis(desk));
    // Parts that move runs: estimated before and after. A speed: as routed before and after.
    const holds = (c: EvaluatedVariant): boolean =>
      analyse(applyEdit(desk, c.edit).design).reports.runs.every((r) => !r.estimated);
    for (const c of [all[0], all[all.length - 1]] as EvaluatedVariant[])
      expect(c.deltaT_K).toBeCloseTo(by(c, holds(c) ? (b) => b : withoutRoutes), 9);
    expect(all.some((c) => !holds(c))).toBe(true);
    expect(of('pump-1.2').deltaT_K).toBeCloseTo(
      by(of('pump-1.2'), (b) => b),
      9,
    );
    expect(all.map((c) => c.deltaT_K ?? Infinity)).toEqual(
      all.map((c) => c.deltaT_K ?? Infinity).sort((a, b) => a - b),
    );
  });

  /**
   * Rules of the trade (common practice, no source): fans on both faces gain a little, at the price
   * of noise; an exhaust radiator breathes warm air; more area cools.
   */
  test("the trade's orders hold", () => {
    expect(of('both-front-radiator').deltaT_K).toBeLessThan(0);
    expect(of('both-front-radiator').deltaT_K).toBeGreaterThan(-2);
    expect(of('both-front-radiator').noise_dBA).toBeGreaterThan(0.3);
    expect(of('turn-top-radiator').deltaT_K).toBeGreaterThan(0);
    expect(of('core-top-radiator-rad-tarn-360-30').deltaT_K).toBeLessThan(-0.5);
    expect(of('pump-1.2').noise_dBA).toBeGreaterThan(0);
  });

  test('what does not fit says why; what costs says how much', () => {
    const thick = of('core-top-radiator-rad-fell-240-45');
    // 22.00 between the two radiators, and plugs for the two further ports of the thick one.
    expect(thick.cost_minor).toBe(
      evaluate(withoutRoutes(applyEdit(desk, thick.edit).design)).reports.bom.loopTotal -
        evaluate(withoutRoutes(desk)).reports.bom.loopTotal,
    );
    expect(thick.cost_minor).toBeGreaterThan(7400 - 5200);
    expect(all.some((c) => c.troubles.length > 0)).toBe(true);
    for (const c of all) for (const t of c.troubles) expect(t.length).toBeGreaterThan(5);
    expect(of('turn-top-radiator').cost_minor).toBe(0);
  });

  test('a search can be stopped', () => {
    let seen = 0;
    expect(
      evaluateVariants(desk, CATALOGUE, (done) => {
        seen = done;
        return done < 3;
      }).length,
    ).toBe(3);
    expect(seen).toBe(3);
  });

  test('best use of money fits, gains and costs no more than there is', () => {
    const best = bestUse(all, 5000);
    expect(best?.cost_minor ?? 9e9).toBeLessThanOrEqual(5000);
    expect(best?.deltaT_K ?? 0).toBeLessThan(-0.1);
    expect(best?.troubles).toEqual([]);
    for (const c of all)
      if (c.troubles.length === 0 && c.cost_minor <= 5000 && c.noise_dBA < 1)
        expect(c.deltaT_K ?? 0).toBeGreaterThanOrEqual((best?.deltaT_K ?? 0) - 1e-9);
    expect(bestUse([], 5000)).toBeNull();
  });

  test('joined, two loops share their radiators and carry the same heat', () => {
    const c = candidates(tower, CATALOGUE).find((x) => x.id === 'loops-joined');
    if (!c) throw new Error('not offered');
    const one = analyse(applyEdit(tower, c.edit).design),
      load = tower.brief.loadCase;
    expect(one.system.loops.length).toBe(1);
    expect(one.reports.heat[load].loops[0]?.status).toBe('steady');
    expect(
      Math.abs(one.reports.heat[load].inLoop_W - analyse(tower).reports.heat[load].inLoop_W),
    ).toBeLessThan(1);
  });
});
