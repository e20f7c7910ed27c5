import { describe, expect, test } from '@jest/globals';
import { blockLaw, blockResistance } from '.';

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

  test('points without flow are no points', () => {
    expect(() => blockLaw([[0, 0.05]])).toThrow(RangeError);
  });
});
