import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  add,
  axisGaps,
  boxCentre,
  boxGap,
  boxIn,
  boxOf,
  boxSize,
  cross,
  directionIn,
  dot,
  insideGap,
  norm,
  pointIn,
  scale,
  sub,
  union,
  unit,
  UPRIGHT,
  type Box,
  type Vec,
} from '.';

const coordinate = fc.integer({ min: -900, max: 900 }).map((v) => v / 10);
const point = fc.tuple(coordinate, coordinate, coordinate);
const box = fc
  .tuple(point, point)
  .map(([a, b]): Box => boxOf(a as unknown as Vec, b as unknown as Vec));

/** Nearest points of two boxes by clamping, an independent way to the same distance. */
function bruteGap(a: Box, b: Box): number {
  const apart = ([0, 1, 2] as const).map((i) => {
    const p = Math.min(Math.max((a.min[i] + a.max[i]) / 2, b.min[i]), b.max[i]);
    const q = Math.min(Math.max(p, a.min[i]), a.max[i]);
    const r = Math.min(Math.max(q, b.min[i]), b.max[i]);
    return Math.abs(q - r);
  });
  return Math.hypot(...apart);
}

describe('gaps between boxes', () => {
  test('apart: the distance of nearest points, a thousand random pairs', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        const gap = boxGap(a, b);
        if (gap > 0) expect(gap).toBeCloseTo(bruteGap(a, b), 6);
        else expect(bruteGap(a, b)).toBe(0);
      }),
      { numRuns: 1000 },
    );
  });

  test('overlapping: moving out by the number parts them, by less does not', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        const gap = boxGap(a, b);
        fc.pre(gap < -0.01);
        const gaps = axisGaps(a, b);
        const axis = gaps.indexOf(Math.max(...gaps)) as 0 | 1 | 2;
        const sign = b.min[axis] - a.max[axis] > a.min[axis] - b.max[axis] ? 1 : -1;
        const move = (by: number): Box => {
          const d: Vec = [
            axis === 0 ? by * sign : 0,
            axis === 1 ? by * sign : 0,
            axis === 2 ? by * sign : 0,
          ];
          return { min: add(b.min, d), max: add(b.max, d) };
        };
        expect(boxGap(a, move(-gap + 1e-9))).toBeGreaterThanOrEqual(-1e-9);
        expect(boxGap(a, move(-gap * 0.5))).toBeLessThan(0);
      }),
      { numRuns: 300 },
    );
  });

  test('it does not matter who is asked', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        expect(boxGap(a, b)).toBe(boxGap(b, a));
      }),
    );
  });

  /**
   * Hand-worked: a 30 mm core and 25 mm fans in 55 mm leave nothing, and that is a zero gap, not a
   * clash.
   */
  test('55 mm of stack in 55 mm of room is zero', () => {
    const stack: Box = { min: [0, 0, 0], max: [55, 120, 120] },
      card: Box = { min: [55, 0, 0], max: [300, 50, 120] };
    expect(boxGap(stack, card)).toBe(0);
  });

  test('inside a case', () => {
    const room: Box = { min: [0, 0, 0], max: [100, 100, 100] };
    expect(insideGap({ min: [3, 10, 10], max: [90, 90, 90] }, room)).toBe(3);
    expect(insideGap({ min: [-4, 10, 10], max: [90, 90, 90] }, room)).toBe(-4);
  });
});

describe('frames', () => {
  const turned = {
    at: [10, 20, 30] as Vec,
    x: [0, 0, -1] as Vec,
    y: [0, 1, 0] as Vec,
    z: [1, 0, 0] as Vec,
  };

  test('upright moves only', () => {
    expect(pointIn({ at: [1, 2, 3], ...UPRIGHT }, [4, 5, 6])).toEqual([5, 7, 9]);
  });

  test('a quarter turn about the upright axis', () => {
    expect(pointIn(turned, [1, 0, 0])).toEqual([10, 20, 29]);
    expect(directionIn(turned, [0, 0, 1])).toEqual([1, 0, 0]);
  });

  test('boxes keep their size, sorted anew', () => {
    const b = boxIn(turned, { min: [0, 0, 0], max: [5, 6, 7] });
    expect(boxSize(b)).toEqual([7, 6, 5]);
    expect(b.min[2]).toBeLessThan(b.max[2]);
  });
});

describe('vectors', () => {
  test('products', () => {
    expect(cross([1, 0, 0], [0, 1, 0])).toEqual([0, 0, 1]);
    expect(dot([1, 2, 3], [4, 5, 6])).toBe(32);
    expect(norm(unit([3, 4, 12]))).toBeCloseTo(1, 12);
    expect(unit([0, 0, 0])).toEqual([0, 0, 0]);
    expect(sub(scale([1, 2, 3], 2), [1, 1, 1])).toEqual([1, 3, 5]);
  });

  test('unions and centres', () => {
    const u = union([
      { min: [0, 0, 0], max: [1, 1, 1] },
      { min: [4, -2, 0], max: [5, 0, 3] },
    ]);
    expect(u).toEqual({ min: [0, -2, 0], max: [5, 1, 3] });
    expect(boxCentre(u)).toEqual([2.5, -0.5, 1.5]);
  });
});
