import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { roundBody, type Body } from './cylinder';
import { hatchOf, sectionOf } from './section';

describe('a cut through a body', () => {
  const box: Body = { box: { min: [0, 0, 0], max: [40, 20, 10] } };

  test('of a box its footprint, beyond it nothing', () => {
    expect(sectionOf(box, 5)).toEqual({ shape: 'rect', min: [0, 0], max: [40, 20] });
    expect(sectionOf(box, 10)).toBeNull();
    expect(sectionOf(box, -1)).toBeNull();
  });

  test('of a cylinder a disc across its axis, a strip as wide as the chord along it', () => {
    expect(sectionOf(roundBody([5, 6, 0], [5, 6, 30], 4), 10)).toEqual({
      shape: 'disc',
      centre: [5, 6],
      radius: 4,
    });
    // A chord of a circle of 5 at 3 from the middle: 2 × 4 (by hand, Pythagoras).
    expect(sectionOf(roundBody([0, 0, 0], [50, 0, 0], 5), 3)).toEqual({
      shape: 'rect',
      min: [0, -4],
      max: [50, 4],
    });
  });

  test('the hatch covers the area: lines of one pitch, its length times the pitch is the area', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 200 }), fc.integer({ min: 20, max: 200 }), (w, h) => {
        const area = sectionOf({ box: { min: [3, 7, 0], max: [3 + w, 7 + h, 2] } }, 1);
        if (!area) throw new Error('no area');
        const length = hatchOf(area, 1).reduce(
          (sum, [a, b]) => sum + Math.hypot(b[0] - a[0], b[1] - a[1]),
          0,
        );
        expect(length / (w * h)).toBeGreaterThan(0.93);
        expect(length / (w * h)).toBeLessThan(1.07);
      }),
      { numRuns: 60 },
    );
  });

  test('of a disc every line is a chord: both ends on the circle', () => {
    const lines = hatchOf({ shape: 'disc', centre: [10, -4], radius: 9 }, 2);
    expect(lines.length).toBeGreaterThan(5);
    for (const line of lines)
      for (const [x, y] of line) expect(Math.hypot(x - 10, y + 4)).toBeCloseTo(9, 9);
  });
});
