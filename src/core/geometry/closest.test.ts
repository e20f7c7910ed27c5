import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bodyGap, roundBody, type Body } from './cylinder';
import { closestPoints, nearestInCylinder } from './closest';
import { distance, type Vec } from './vec';

const whole = fc.integer({ min: -200, max: 200 });
const size = fc.integer({ min: 4, max: 90 });
const box = fc
  .tuple(whole, whole, whole, size, size, size)
  .map(([x, y, z, w, h, d]): Body => ({ box: { min: [x, y, z], max: [x + w, y + h, z + d] } }));
const round = fc
  .tuple(whole, whole, whole, size, size, fc.constantFrom(0, 1, 2))
  .map(([x, y, z, long, radius, axis]): Body => {
    const to: [number, number, number] = [x, y, z];
    to[axis] += long;
    return roundBody([x, y, z], to, radius);
  });
const body = fc.oneof(box, round);

describe('nearest points of two bodies', () => {
  test('apart, they are as far from each other as the bodies (the exact distance of both)', () => {
    fc.assert(
      fc.property(body, body, (a, b) => {
        const gap = bodyGap(a, b);
        if (gap <= 0.5) return;
        const [p, q] = closestPoints(a, b);
        expect(distance(p, q)).toBeGreaterThan(gap - 1e-6);
        expect(distance(p, q)).toBeLessThan(gap * 1.01 + 0.05);
      }),
      { numRuns: 300 },
    );
  });

  test('by hand: beside, over an edge, round against flat', () => {
    const a: Body = { box: { min: [0, 0, 0], max: [10, 10, 10] } };
    const beside: Body = { box: { min: [15, 0, 0], max: [20, 10, 10] } };
    expect(distance(...closestPoints(a, beside))).toBeCloseTo(5, 6);
    const corner: Body = { box: { min: [13, 14, 0], max: [20, 20, 10] } };
    expect(closestPoints(a, corner)[0].slice(0, 2)).toEqual([10, 10]);
    const pipe = roundBody([30, 5, -50], [30, 5, 50], 8);
    const [p, q] = closestPoints(a, pipe);
    expect([p[0], q[0]]).toEqual([10, 22]);
  });

  test('a point within a cylinder is its own nearest', () => {
    const at: Vec = [1, 2, 3];
    expect(nearestInCylinder(at, { from: [0, 0, 0], to: [0, 0, 9], radius: 5 })).toEqual(at);
  });
});
