import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { applyEdit, type Design } from '../design';
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

  test('it stops when told to', () => {
    expect(uncertainty(analysis, 400, 1, () => false)).toBeNull();
  });
});
