import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cellsOf, cornersIn, isAlongAxes, middleIn, pointIn, tiltedFrame, UPRIGHT } from '.';
import type { Box, Frame, Vec } from '.';

const frame: Frame = { at: [100, 100, 100], ...UPRIGHT };
const size: Vec = [60, 200, 60];
const whole: Box = { min: [0, 0, 0], max: size };
const low = (boxes: readonly Box[], i: 0 | 1 | 2): number =>
  Math.min(...boxes.map((b) => b.min[i]));
const high = (boxes: readonly Box[], i: 0 | 1 | 2): number =>
  Math.max(...boxes.map((b) => b.max[i]));

describe('a part that stands aslant', () => {
  /** Pythagoras: 60 × 200 turned by 45° reaches (60 + 200)/√2 both ways. */
  test('by 45° it reaches as far as its diagonals say, and its middle stays', () => {
    const middle = middleIn(frame, size);
    const turned = tiltedFrame(frame, middle, { about: 'z', by_deg: 45 });
    const cells = cellsOf(turned, whole, 8);
    const reach = (60 + 200) / Math.SQRT2;
    for (const i of [0, 1] as const) expect(high(cells, i) - low(cells, i)).toBeCloseTo(reach, 9);
    expect(high(cells, 2) - low(cells, 2)).toBeCloseTo(60, 9);
    middleIn(turned, size).forEach((v, i) => expect(v).toBeCloseTo(middle[i] as number, 9));
  });

  test('by a quarter turn about each axis it lies along the axes, its sides changed about', () => {
    const sides = { x: [60, 60, 200], y: [60, 200, 60], z: [200, 60, 60] } as const;
    for (const about of ['x', 'y', 'z'] as const) {
      const turned = tiltedFrame(frame, middleIn(frame, size), { about, by_deg: 90 });
      expect(isAlongAxes(turned)).toBe(true);
      const corners = cornersIn(turned, whole).map((c) => ({ min: c, max: c }));
      ([0, 1, 2] as const).forEach((i) =>
        expect(high(corners, i) - low(corners, i)).toBeCloseTo(sides[about][i], 9),
      );
    }
  });

  test('upwards along z a turn about x goes from y to z: right-handed', () => {
    const turned = tiltedFrame(frame, frame.at, { about: 'x', by_deg: 90 });
    expect(turned.y).toEqual([0, 0, 1]);
    expect(turned.z).toEqual([0, -1, 0]);
  });

  test('every place on its faces lies in one of its cells, and none is a cell too far', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -170, max: 170, noNaN: true }),
        fc.constantFrom('x', 'y', 'z'),
        fc.tuple(...[0, 1, 2].map(() => fc.double({ min: 0, max: 1, noNaN: true }))),
        fc.nat(2),
        (by_deg, about, share, face) => {
          const turned = tiltedFrame(frame, middleIn(frame, size), {
            about: about as 'x' | 'y' | 'z',
            by_deg,
          });
          fc.pre(!isAlongAxes(turned));
          const cells = cellsOf(turned, whole, 8);
          const onFace = (s: number, i: number): number => (s < 0.5 ? 0 : (size[i] as number));
          const own = share.map((s, i) =>
            i === face ? onFace(s, i) : s * (size[i] as number),
          ) as unknown as Vec;
          const at = pointIn(turned, own);
          const holds = (b: Box): boolean =>
            ([0, 1, 2] as const).every((i) => at[i] >= b.min[i] - 1e-9 && at[i] <= b.max[i] + 1e-9);
          // The face across the axis it turns about is only held at its rim.
          const axis = { x: 0, y: 1, z: 2 }[about as 'x' | 'y' | 'z'];
          if (face !== axis) expect(cells.some(holds)).toBe(true);
          const corners = cornersIn(turned, whole).map((c) => ({ min: c, max: c }));
          for (const i of [0, 1, 2] as const) {
            expect(low(cells, i)).toBeCloseTo(low(corners, i), 6);
            expect(high(cells, i)).toBeCloseTo(high(corners, i), 6);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});
