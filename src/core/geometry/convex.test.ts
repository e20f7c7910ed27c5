import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { capsule, convexGap, orientedBox, slantedCylinder, type Vec } from '.';

const UPRIGHT_AXES = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
] as const;
const cube = (at: Vec, half = 1) => orientedBox(at, [half, half, half], UPRIGHT_AXES);
/** A cube turned by 45° about z: its edge looks along x, √2 from its middle. */
const onEdge = (at: Vec) =>
  orientedBox(
    at,
    [1, 1, 1],
    [
      [Math.SQRT1_2, Math.SQRT1_2, 0],
      [-Math.SQRT1_2, Math.SQRT1_2, 0],
      [0, 0, 1],
    ],
  );

describe('solids at any angle, by hand', () => {
  test.each([
    ['face to face', cube([0, 0, 0]), cube([5, 0, 0]), 3],
    ['edge to edge', cube([0, 0, 0]), cube([4, 4, 0]), 2 * Math.SQRT2],
    ['corner to corner', cube([0, 0, 0]), cube([3, 3, 3]), Math.sqrt(3)],
    ['a turned edge before a face', cube([0, 0, 0]), onEdge([5, 0, 0]), 4 - Math.SQRT2],
    ['a rod over a cube', cube([0, 0, 0]), capsule([-9, 3, 0], [9, 3, 0], 0.5), 1.5],
    ['crossed rods', capsule([-9, 0, 0], [9, 0, 0], 1), capsule([0, 4, -9], [0, 4, 9], 0.5), 2.5],
    ['a flat end before a face', cube([0, 0, 0]), slantedCylinder([4, 0, 0], [9, 0, 0], 2), 3],
    ['a rim', cube([0, 0, 0]), slantedCylinder([2, 4, 0], [2, 9, 0], 1.5), 3],
    ['overlapping cubes', cube([0, 0, 0]), cube([1.5, 0.2, 0]), -0.5],
    ['a cube within a cube', cube([0, 0, 0], 4), cube([0.5, 0, 0]), -4.5],
    ['an edge within a face', cube([0, 0, 0]), onEdge([2, 0, 0]), 1 - Math.SQRT2],
  ] as const)('%s', (_, a, b, gap) => {
    expect(convexGap(a, b)).toBeCloseTo(gap, 5);
    expect(convexGap(b, a)).toBeCloseTo(gap, 5);
  });

  test('moving both, or turning both, changes nothing; moving apart adds as much', () => {
    const v = fc.double({ min: -30, max: 30, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(v, v, v), fc.double({ min: 0, max: 3, noNaN: true }), (by, turn) => {
        const [c, s] = [Math.cos(turn), Math.sin(turn)];
        const axes = [
          [c, s, 0],
          [-s, c, 0],
          [0, 0, 1],
        ] as const;
        const moved = (p: Vec): Vec => [p[0] + by[0], p[1] + by[1], p[2] + by[2]];
        const apart = (far: number) =>
          convexGap(
            orientedBox(moved([0, 0, 0]), [2, 1, 3], axes),
            capsule(moved([far, 0, -4]), moved([far, 0, 4]), 0.7),
          );
        expect(apart(14) - apart(9)).toBeGreaterThan(3);
        expect(apart(14) - apart(9)).toBeLessThan(5 + 1e-6);
        const still = convexGap(
          orientedBox([0, 0, 0], [2, 1, 3], axes),
          capsule([9, 0, -4], [9, 0, 4], 0.7),
        );
        expect(apart(9)).toBeCloseTo(still, 5);
      }),
      { numRuns: 60, seed: 2 },
    );
  });
});
