import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Vec } from '../geometry';
import { roundedPath } from './path';
import { meetsBetweenBends, tollOfPath, type Obstacle, type Workspace } from './workspace';

const wall = (min: Vec, max: Vec): Obstacle => ({ id: 'wall', min, max, penalty: Infinity });
const roomWith = (...blocks: readonly Obstacle[]): Workspace => ({
  bounds: { min: [-1000, -1000, -1000], max: [1000, 1000, 1000] },
  blocks,
});
/** Ahead 100, then up 100, rounded to 30: straight to x = 70, and again from y = 30. */
const corner: readonly Vec[] = [
  [0, 0, 0],
  [100, 0, 0],
  [100, 100, 0],
];

describe('what stands between the bends of a way', () => {
  test.each<[string, Obstacle, boolean, boolean]>([
    ['on the first leg', wall([40, -5, -5], [50, 5, 5]), true, true],
    ['on the last leg', wall([95, 40, -5], [105, 50, 5]), true, true],
    ['where the bend cuts its corner', wall([95, -5, -5], [105, 4, 5]), false, false],
    // On the bend at 45°: 100 − 30 + 30 sin 45° = 91.2 along, 30 − 21.2 = 8.8 up.
    ['on the bend', wall([89, 6, -5], [94, 11, 5]), false, true],
    ['a toll is no wall', { ...wall([40, -5, -5], [50, 5, 5]), penalty: 120 }, false, false],
  ])('%s', (_, block, isMet, isWall) => {
    expect(meetsBetweenBends(roomWith(block), corner, 30)).toBe(isMet);
    expect(tollOfPath(roomWith(block), roundedPath(corner, 30)) === Infinity).toBe(isWall);
  });

  test('what it meets the whole path meets, on random ways among random walls', () => {
    const at = fc.integer({ min: -200, max: 200 }),
      point = fc.tuple(at, at, at),
      box = fc.tuple(point, fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 1, max: 90 }))));
    let met = 0;
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 2, maxLength: 5 }),
        fc.array(box, { minLength: 1, maxLength: 6 }),
        (corners, boxes) => {
          const far = (a: Vec, b: Vec): boolean =>
            Math.hypot(...a.map((v, i) => v - b[i as 0])) > 90;
          fc.pre(corners.slice(1).every((c, i) => far(c, corners[i] as Vec)));
          const room = roomWith(
            ...boxes.map(([min, size]) =>
              wall(min, min.map((v, i) => v + (size[i] ?? 1)) as unknown as Vec),
            ),
          );
          if (!meetsBetweenBends(room, corners, 15)) return;
          met += 1;
          expect(tollOfPath(room, roundedPath(corners, 15))).toBe(Infinity);
        },
      ),
      { numRuns: 1000, seed: 11 },
    );
    expect(met).toBeGreaterThan(50);
  });
});
