import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sub, unit, type Vec } from '../geometry';
import { leastOfCurve } from './leastLength';
import { pathLength, roundedPath } from './path';

const R = 25;

/** Shortest curves of bounded curvature (Dubins 1957), worked by hand. */
describe('the least length of a curve that bends no tighter than a radius', () => {
  test('straight on: the distance', () => {
    const ahead: Vec = [1, 0, 0];
    expect(leastOfCurve([300, 0, 0], [ahead, ahead], R)).toBeCloseTo(300, 9);
  });

  test('back beside itself: a half turn and what is between', () => {
    const found = leastOfCurve(
      [0, 200, 0],
      [
        [1, 0, 0],
        [-1, 0, 0],
      ],
      R,
    );
    expect(found).toBeCloseTo(Math.PI * R + 200 - 2 * R, 6);
  });

  test('round a corner of equal legs: an eighth turn, straight, an eighth turn', () => {
    const found = leastOfCurve(
      [200, 200, 0],
      [
        [1, 0, 0],
        [0, 1, 0],
      ],
      R,
    );
    const straight = 200 * Math.SQRT2 - 2 * R * Math.SQRT1_2;
    expect(found).toBeCloseTo(straight + (Math.PI / 2) * R, 6);
  });

  test('a step aside to the same way: left, straight, right, found but for a thousandth', () => {
    // Turn by a to the left and back: 2 R sin a + l cos a ahead, 2 R (1 − cos a) + l sin a aside.
    const a = Math.PI / 3,
      l = 150;
    const by: Vec = [
      2 * R * Math.sin(a) + l * Math.cos(a),
      2 * R * (1 - Math.cos(a)) + l * Math.sin(a),
      0,
    ];
    const exact = l + 2 * R * a;
    const found = leastOfCurve(
      by,
      [
        [1, 0, 0],
        [1, 0, 0],
      ],
      R,
    );
    expect(found).toBeLessThanOrEqual(exact + 1e-9);
    expect(found).toBeGreaterThan(0.999 * exact);
  });

  test('where turns have no room, no more than the distance is told', () => {
    expect(
      leastOfCurve(
        [1, 3, 0],
        [
          [1, 0, 0],
          [-1, 0, 0],
        ],
        R,
      ),
    ).toBeCloseTo(Math.hypot(1, 3), 9);
  });

  test('never longer than a tube that is bent so, wherever it leads', () => {
    const share = fc.integer({ min: -100, max: 100 });
    const leg = fc.tuple(share, share, share, fc.integer({ min: 4 * R, max: 12 * R }));
    let bent = 0;
    fc.assert(
      fc.property(fc.array(leg, { minLength: 2, maxLength: 4 }), (legs) => {
        const corners: Vec[] = [[0, 0, 0]];
        for (const [x, y, z, length] of legs) {
          if (x === 0 && y === 0 && z === 0) return;
          const [dx, dy, dz] = unit([x, y, z]);
          const [px, py, pz] = corners[corners.length - 1] as Vec;
          corners.push([px + dx * length, py + dy * length, pz + dz * length]);
        }
        const path = roundedPath(corners, R);
        // Turned so far that a leg is too short for it: no tube.
        const turns = path.flatMap((s) => (s.kind === 'arc' ? [s.angle_deg] : []));
        if (turns.length < corners.length - 2 || turns.some((deg) => deg > 125)) return;
        bent += 1;
        const last = corners.length - 1;
        const leaves = unit(sub(corners[1] as Vec, corners[0] as Vec)),
          arrives = unit(sub(corners[last] as Vec, corners[last - 1] as Vec));
        const by = sub(corners[last] as Vec, corners[0] as Vec);
        expect(leastOfCurve(by, [leaves, arrives], R)).toBeLessThanOrEqual(pathLength(path) + 1e-6);
      }),
      { numRuns: 1500, seed: 7 },
    );
    expect(bent).toBeGreaterThan(500);
  });
});
