import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { falsePosition } from '.';

describe('where a function crosses zero', () => {
  /** Any numerical analysis text: the cosine's fixed point, 0.7390851332. */
  test('cos x = x', () => {
    expect(falsePosition((x) => Math.cos(x) - x, 0, 1, { x: 1e-12, y: 1e-13 })).toBeCloseTo(
      0.7390851332,
      9,
    );
  });

  test('either way round, and at an end', () => {
    const f = (x: number): number => x ** 3 - 2;
    expect(falsePosition(f, 2, 0, { x: 1e-10, y: 1e-12 })).toBeCloseTo(Math.cbrt(2), 8);
    expect(falsePosition((x) => x, 0, 5, { x: 1e-9, y: 1e-9 })).toBe(0);
    expect(falsePosition((x) => x - 5, 0, 5, { x: 1e-9, y: 1e-9 })).toBe(5);
  });

  test('few calls, and always inside the bracket', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        (root, power) => {
          let calls = 0;
          const x = falsePosition(
            (v) => {
              calls += 1;
              return v ** power - root ** power;
            },
            0,
            1,
            { x: 1e-9, y: 1e-9 },
          );
          expect(
            Math.min(Math.abs(x - root) / 1e-6, Math.abs(x ** power - root ** power) / 1e-8),
          ).toBeLessThan(1);
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(1);
          expect(calls).toBeLessThan(60);
        },
      ),
    );
  });

  test('no crossing is a wrong call', () => {
    expect(() => falsePosition((x) => x * x + 1, -1, 1, { x: 1e-6, y: 1e-6 })).toThrow(RangeError);
  });
});
