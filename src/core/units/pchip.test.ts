import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pchip, pchipAt } from '.';

describe('monotone cubic through points', () => {
  const curve = pchip([
    [0, 4],
    [5, 3.5],
    [10, 2.75],
    [15, 1.75],
    [20, 0.55],
  ]);

  test('it passes through its points', () => {
    expect(pchipAt(curve, 0).value).toBe(4);
    expect(pchipAt(curve, 10).value).toBeCloseTo(2.75, 12);
    expect(pchipAt(curve, 20).value).toBeCloseTo(0.55, 12);
  });

  test('a straight line stays straight', () => {
    const line = pchip([
      [0, 1],
      [1, 3],
      [4, 9],
    ]);
    expect(pchipAt(line, 2.5).value).toBeCloseTo(6, 12);
    expect(pchipAt(line, 2.5).slope).toBeCloseTo(2, 12);
  });

  /** Fritsch & Carlson (1980), table 1 shape: data that rise must not overshoot. */
  test('no overshoot on a step', () => {
    const step = pchip([
      [0, 0],
      [1, 0],
      [2, 1],
      [3, 1],
    ]);
    for (let x = 0; x <= 3; x += 0.05) {
      const { value } = pchipAt(step, x);
      expect(value).toBeGreaterThanOrEqual(-1e-12);
      expect(value).toBeLessThanOrEqual(1 + 1e-12);
    }
  });

  test('falling data give a falling curve, whatever the points', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.01, max: 5, noNaN: true }), { minLength: 3, maxLength: 9 }),
        (drops) => {
          let y = 50;
          const points = drops.map((d, i) => [i * 1.7, (y -= d)] as const);
          const c = pchip(points);
          let last = Infinity;
          for (let x = 0; x <= (points.length - 1) * 1.7; x += 0.11) {
            const { value } = pchipAt(c, x);
            expect(value).toBeLessThanOrEqual(last + 1e-9);
            last = value;
          }
        },
      ),
    );
  });

  test('beyond its ends it goes on straight', () => {
    const end = pchipAt(curve, 20);
    expect(pchipAt(curve, 22).value).toBeCloseTo(end.value + 2 * end.slope, 12);
    const start = pchipAt(curve, 0);
    expect(pchipAt(curve, -1).value).toBeCloseTo(4 - start.slope, 12);
  });

  test('bad points throw', () => {
    expect(() => pchip([[0, 1]])).toThrow(RangeError);
    expect(() =>
      pchip([
        [0, 1],
        [0, 2],
      ]),
    ).toThrow('point 2');
  });
});
