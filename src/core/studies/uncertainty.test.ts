import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { applyEdit, findComponent, type Design } from '../design';
import { bandOf, normal, randomBy } from '../units';
import { SPREAD_BESIDE, uncertainty, type WholeUncertainty } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const analysis = analyse(desk);
const of = (a: typeof analysis, draws = 400): WholeUncertainty => {
  const found = uncertainty(a, draws, 1);
  if (!found) throw new Error('stopped');
  return found;
};

describe('draws', () => {
  /** Nine of ten of a normal distribution lie within 1.645 deviations. */
  test('a normal band from a seed', () => {
    const random = randomBy(5);
    const band = bandOf(Array.from({ length: 20_000 }, () => normal(random)));
    expect(band?.low).toBeCloseTo(-1.645, 1);
    expect(band?.mid).toBeCloseTo(0, 1);
    expect(band?.high).toBeCloseTo(1.645, 1);
    expect(bandOf([])).toBeNull();
    expect(bandOf([3, 1, 2])).toEqual({ low: 1.1, mid: 2, high: 2.9 });
  });
});

describe('what a build may come to', () => {
  const whole = of(analysis);

  test('the same seed says the same, and each figure lies in its band', () => {
    expect(of(analysis)).toEqual(whole);
    const { reports } = analysis;
    const [flow] = whole.flow;
    const q = reports.flow.loops[0]?.flow_Lmin ?? NaN;
    expect(flow?.band?.mid).toBeCloseTo(q, 1);
    const heat = reports.heat[desk.brief.loadCase];
    expect(Math.abs((whole.noise.band?.mid ?? NaN) - heat.noise_dBA)).toBeLessThan(0.5);
    const price = whole.price.band?.mid ?? NaN;
    expect(Math.abs(price / reports.bom.loopTotal - 1)).toBeLessThan(0.01);
  });

  /**
   * Where a loop takes with the square of its flow and the head hardly falls, flow goes with the
   * root of head over losses: its deviation is half of √(0.04² + 0.1²), a band of ± 1.645 times
   * that, 8.9 %.
   */
  test('the band of the flow, by hand within a third', () => {
    const band = whole.flow[0]?.band;
    const half = ((band?.high ?? NaN) - (band?.low ?? NaN)) / 2 / (band?.mid ?? NaN);
    const byHand = 1.645 * 0.5 * Math.sqrt(SPREAD_BESIDE.head ** 2 + SPREAD_BESIDE.losses ** 2);
    expect(half / byHand).toBeGreaterThan(0.66);
    expect(half / byHand).toBeLessThan(1.33);
  });

  test('a limit in the middle is passed by half, one far off by none or all', () => {
    const q = analysis.reports.flow.loops[0]?.flow_Lmin ?? NaN;
    const asking = (flow_Lmin: number): number =>
      of(analyse(applyEdit(desk, { do: 'brief.limit', values: { flow_Lmin } }).design)).flow[0]
        ?.beyond ?? NaN;
    expect(asking(q)).toBeGreaterThan(0.35);
    expect(asking(q)).toBeLessThan(0.65);
    expect(asking(0.5 * q)).toBe(0);
    expect(asking(1.6 * q)).toBe(1);
    const none = of(
      analyse(applyEdit(desk, { do: 'brief.limit', values: { budget_minor: null } }).design),
    );
    expect(none.price.beyond).toBe(0);
  });

  /**
   * A tolerance is three deviations: two parts of ± t each spread by √2 t/3. A gap of one such
   * deviation is closed in 15.9 % of builds, one of nothing in half (normal tables).
   */
  test('gaps that may turn: by the tolerance of both sides, each part one draw in all its gaps', () => {
    const [gap] = analysis.reports.clearance.gaps.filter(
      ({ a, b }) => findComponent(desk, a) && findComponent(desk, b),
    );
    if (!gap) throw new Error('no gap between two parts');
    const t = 0.3;
    const parts = desk.components.map((c) => ({ ...c, part: { ...c.part, tolerance_mm: t } }));
    const deviation = (Math.SQRT2 * t) / 3;
    const judgedAt = (gap_mm: number) =>
      of(
        {
          ...analysis,
          system: { ...analysis.system, design: { ...desk, components: parts } },
          reports: {
            ...analysis.reports,
            clearance: { ...analysis.reports.clearance, gaps: [{ ...gap, gap_mm }] },
          },
        } as typeof analysis,
        10_000,
      ).gaps[0];
    expect(judgedAt(deviation)?.beyond).toBeCloseTo(0.159, 1);
    expect(judgedAt(0)?.beyond).toBeCloseTo(0.5, 1);
    expect(judgedAt(desk.brief.limits.clear_mm)?.tight).toBeCloseTo(0.5, 1);
    const band = judgedAt(0)?.band;
    expect((band?.high ?? NaN) / deviation).toBeCloseTo(1.645, 1);
    expect(judgedAt(2.5)).toBeUndefined();
  });

  test('it stops when told to', () => {
    expect(uncertainty(analysis, 400, 1, () => false)).toBeNull();
  });
});
