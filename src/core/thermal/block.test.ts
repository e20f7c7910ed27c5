import { describe, expect, test } from '@jest/globals';
import { coolantProperties, water } from '../fluids';
import { blockLaw, blockResistance, blockResistanceIn } from '.';

describe("a block's resistance over flow", () => {
  test('points of a power law give it back', () => {
    const law = blockLaw([1, 2, 4, 6].map((q) => [q, 0.05 * (4 / q) ** 0.3] as const));
    expect(law.exponent).toBeCloseTo(0.3, 9);
    expect(blockResistance(law, 4)).toBeCloseTo(0.05, 9);
    expect(blockResistance(law, 3)).toBeCloseTo(0.05 * (4 / 3) ** 0.3, 9);
  });

  test('one point takes the usual exponent', () => {
    const law = blockLaw([[4, 0.05]]);
    expect(blockResistance(law, 2) / blockResistance(law, 4)).toBeCloseTo(2 ** 0.3, 9);
  });

  test('more flow never makes it worse, and no flow is not infinite', () => {
    const law = blockLaw([
      [1, 0.06],
      [4, 0.04],
    ]);
    let last = Infinity;
    for (let q = 0; q < 8; q += 0.25) {
      const r = blockResistance(law, q);
      expect(Number.isFinite(r)).toBe(true);
      expect(r).toBeLessThanOrEqual(last);
      last = r;
    }
  });

  /**
   * Worked by hand: n = 0.3 is 0.9 of the resistance on the coolant's side; a coolant of half the
   * conductivity and the same ρ c has h = 0.5 · 2^(1/3) = 0.630 of water's, so R = 0.1 + 0.9/0.630.
   */
  test("another coolant changes the coolant's side alone", () => {
    const law = blockLaw([[4, 0.05]]),
      base = water(25);
    expect(blockResistanceIn(law, 4, base, base)).toBeCloseTo(0.05, 12);
    const poor = { ...base, conductivity_WmK: base.conductivity_WmK / 2 };
    expect(blockResistanceIn(law, 4, poor, base) / 0.05).toBeCloseTo(1.5287, 3);
    const stiff = blockLaw([
      [1, 0.05],
      [4, 0.05],
    ]);
    expect(blockResistanceIn(stiff, 4, poor, base)).toBeCloseTo(0.05, 12);
  });

  /** Common practice, no source: a third of glycol costs a block of 0.03 K/W 1 to 2 K at 250 W. */
  test('35 % glycol costs one to two kelvin at 250 W', () => {
    const law = blockLaw([[4, 0.025]]);
    const glycol = coolantProperties({ glycol: 'ethylene', volumeShare: 0.35 }, 30);
    const costs = 250 * (blockResistanceIn(law, 4, glycol) - blockResistance(law, 4));
    expect(costs).toBeGreaterThan(1);
    expect(costs).toBeLessThan(2);
  });

  test('points without flow are no points', () => {
    expect(() => blockLaw([[0, 0.05]])).toThrow(RangeError);
  });
});
