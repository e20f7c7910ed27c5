import { describe, expect, test } from '@jest/globals';
import type { Vec } from '../geometry';
import type { EndWay } from './ends';
import { tollOfDraft, type FewBends } from './fewBends';
import { PARALLEL } from './prices';
import type { WayFound } from './rigidRoute';
import { shortened } from './shortcuts';
import type { Obstacle } from './workspace';

const end = (mouth: Vec, direction: Vec): EndWay => ({
  piece: 'straight',
  duties: [],
  bodies: [],
  mouth,
  direction,
  cost: 0,
});
const wall = (min: Vec, max: Vec): Obstacle => ({ id: 'wall', min, max, penalty: Infinity });
const asked = (blocks: readonly Obstacle[], prices = PARALLEL): FewBends => ({
  workspace: { bounds: { min: [-500, -500, -500], max: [1000, 500, 500] }, blocks },
  limits: { radius_mm: 25, atFitting_mm: 12, between_mm: 14 },
  prices,
  tube_mm: 7,
  level: [[], [], []],
});
const way = (corners: readonly Vec[]): WayFound => ({
  corners,
  from: end(corners[0] as Vec, [1, 0, 0]),
  to: end(corners[corners.length - 1] as Vec, [-1, 0, 0]),
  cost: 1000,
  expanded: 0,
});
const bendsOf = ({ corners }: WayFound): number => corners.length - 2;

/** Round by a shelf, four quarter turns, where nothing stands in the straight way. */
const round = way([
  [0, 0, 0],
  [100, 0, 0],
  [100, 120, 0],
  [400, 120, 0],
  [400, 0, 0],
  [500, 0, 0],
]);

describe('ways made shorter over their own legs (what is best is seen with the eye)', () => {
  test('with nothing in its way a round becomes a straight', () => {
    const found = shortened(round, asked([]));
    expect(bendsOf(found)).toBe(0);
    expect(found.cost).toBeLessThan(round.cost - 4 * PARALLEL.bend_mm);
  });

  test('with a post in the middle it becomes a roof of three bends over the post', () => {
    const post = [wall([240, -20, -50], [260, 60, 50])];
    const found = shortened(round, asked(post));
    expect(bendsOf(found)).toBe(3);
    const [, first, ridge, last] = found.corners as readonly [Vec, Vec, Vec, Vec, Vec];
    expect(first[1]).toBeCloseTo(0, 6);
    expect(last[1]).toBeCloseTo(0, 6);
    // 45° up and down again: as far along as it rises.
    expect(ridge[1]).toBeCloseTo(ridge[0] - first[0], 6);
    expect(ridge[1]).toBeGreaterThan(60);
    expect(
      tollOfDraft(
        { corners: found.corners, from: found.from, to: found.to, cost: 0, angles_deg: [] },
        asked(post),
      ),
    ).toBe(0);
  });

  test('where nothing shorter is free the way stays as it is', () => {
    const shelf = [
      wall([-200, -500, -500], [900, -10, 500]),
      wall([125, 10, -500], [375, 119, 500]),
      wall([125, -10, -500], [375, 10, 500]),
      wall([-200, 140, -500], [900, 500, 500]),
      // And beside the way up and the way down, so that neither can lie aslant.
      wall([-200, 15, -500], [85, 500, 500]),
      wall([415, 15, -500], [900, 500, 500]),
    ];
    expect(shortened(round, asked(shelf))).toBe(round);
  });

  test('a way of two bends is left to the closed forms', () => {
    const step = way([
      [0, 0, 0],
      [100, 0, 0],
      [100, 120, 0],
      [300, 120, 0],
    ]);
    expect(shortened(step, asked([]))).toBe(step);
  });

  test('a jog in two axes becomes one slanting leg', () => {
    const jog = way([
      [0, 0, 0],
      [100, 0, 0],
      [100, 90, 0],
      [200, 90, 0],
      [200, 90, 80],
      [500, 90, 80],
    ]);
    const found = shortened(jog, asked([]));
    expect(bendsOf(found)).toBe(2);
    const [, a, b] = found.corners as readonly [Vec, Vec, Vec, Vec];
    expect(b[1] - a[1]).toBeCloseTo(90, 6);
    expect(b[2] - a[2]).toBeCloseTo(80, 6);
  });

  test('in the free style no bend more than needed, and never dearer', () => {
    const free = { ...PARALLEL, oddAngle_mm: 0, offPlane: 0 };
    const found = shortened(round, asked([wall([240, -20, -50], [260, 60, 50])], free));
    expect(bendsOf(found)).toBeLessThanOrEqual(3);
    expect(found.cost).toBeLessThan(round.cost);
  });
});
