import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { churchill, colebrook, frictionFactor, isBetweenRegimes } from '.';

describe('friction factor', () => {
  test('Colebrook solves its own equation', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4000, max: 1e7, noNaN: true }),
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        (re, e) => {
          const f = colebrook(re, e);
          expect(
            Math.abs(1 / Math.sqrt(f) + 2 * Math.log10(e / 3.7 + 2.51 / (re * Math.sqrt(f)))),
          ).toBeLessThan(1e-9);
        },
      ),
    );
  });

  test('the join is smooth in value and slope at both ends', () => {
    for (const [at, h] of [
      [2000, 0.01],
      [4000, 0.01],
    ] as const) {
      const below = frictionFactor(at - h, 0.0001),
        above = frictionFactor(at + h, 0.0001);
      expect(Math.abs(above - below)).toBeLessThan(1e-5);
      const slopeBelow = frictionFactor(at, 0.0001) - frictionFactor(at - 1, 0.0001),
        slopeAbove = frictionFactor(at + 1, 0.0001) - frictionFactor(at, 0.0001);
      expect(Math.abs(slopeBelow - slopeAbove)).toBeLessThan(2e-7);
    }
  });

  test('pressure never falls as flow rises, through every regime', () => {
    let last = 0;
    for (let re = 100; re < 20000; re += 50) {
      const drop = frictionFactor(re, 0.00015) * re * re;
      expect(drop).toBeGreaterThan(last);
      last = drop;
    }
  });

  test('Churchill agrees with Colebrook within 3.1 % above 4,000', () => {
    for (const re of [4000, 10000, 1e5])
      expect(Math.abs(churchill(re, 0.001) / colebrook(re, 0.001) - 1)).toBeLessThan(0.05);
  });

  test('the uncertain band is named', () => {
    expect(isBetweenRegimes(1999)).toBe(false);
    expect(isBetweenRegimes(3000)).toBe(true);
    expect(isBetweenRegimes(4001)).toBe(false);
  });

  test('wrong calls throw', () => {
    expect(() => frictionFactor(0, 0)).toThrow(RangeError);
    expect(() => frictionFactor(-5, 0)).toThrow(RangeError);
    expect(() => frictionFactor(NaN, 0)).toThrow(RangeError);
    expect(() => frictionFactor(5000, 0.2)).toThrow(RangeError);
  });
});
