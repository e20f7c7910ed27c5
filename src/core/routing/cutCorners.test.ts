import { describe, expect, test } from '@jest/globals';
import { distance, type Vec } from '../geometry';
import { withCutCorners } from './cutCorners';
import type { EndWay } from './ends';
import { priceOf, type FewBends } from './fewBends';
import { PARALLEL } from './prices';
import type { WayFound } from './rigidRoute';
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
const PRICES = { ...PARALLEL, bend_mm: 60, byAngle: 0.5, offPlane: 0 };
const asked = (blocks: readonly Obstacle[] = [], more: Partial<FewBends> = {}): FewBends => ({
  workspace: { bounds: { min: [-500, -500, -500], max: [1000, 500, 500] }, blocks },
  limits: { radius_mm: 25, atFitting_mm: 12, between_mm: 14 },
  prices: PRICES,
  tube_mm: 7,
  level: [[], [], []],
  ...more,
});
/** 400 mm out and 300 mm up, with one quarter turn. */
const square: WayFound = {
  corners: [
    [0, 0, 0],
    [400, 0, 0],
    [400, 300, 0],
  ],
  from: end([0, 0, 0], [1, 0, 0]),
  to: end([400, 300, 0], [0, -1, 0]),
  cost: 1000,
  expanded: 0,
};
/** From a bend of 45° of 25 mm to where it begins: 25 tan 22.5°. */
const SET_BACK = 25 * Math.tan(Math.PI / 8);

describe('square corners cut by 45° (plane geometry)', () => {
  test('as deep as the shorter leg has room for its bend and its fitting', () => {
    const { corners, cost } = withCutCorners(square, asked());
    expect(corners).toHaveLength(4);
    const [, a, b, last] = corners as readonly [Vec, Vec, Vec, Vec];
    const deep = 300 - 12 - SET_BACK;
    expect(distance(a, [400 - deep, 0, 0])).toBeLessThan(1e-6);
    expect(distance(b, [400, deep, 0])).toBeLessThan(1e-6);
    expect(distance(b, last)).toBeCloseTo(12 + SET_BACK, 6);
    // Two legs of the cut become its hypotenuse; one bend of 90° becomes two of 45°.
    const arcs = 2 * ((25 * Math.PI) / 4 - 2 * SET_BACK) - ((25 * Math.PI) / 2 - 50);
    expect(square.cost - cost).toBeCloseTo((2 - Math.SQRT2) * deep - (2 * 45 - 60) - arcs, 6);
  });

  test('not where two bends of 45° cost more beyond one of 90° than the cut saves', () => {
    const dear = asked([], { prices: { ...PRICES, bend_mm: 400 } });
    expect(withCutCorners(square, dear)).toBe(square);
  });

  test('not where no mandrel bends 45°, and so where one does', () => {
    const with_ = (angles_deg: readonly number[]): FewBends => ({
      ...asked(),
      limits: { ...asked().limits, angles_deg },
    });
    expect(withCutCorners(square, with_([90]))).toBe(square);
    expect(withCutCorners(square, with_([45, 90])).corners).toHaveLength(4);
  });

  test('less deep where something stands across the leg aslant, and not at all where the corner is full', () => {
    const far = withCutCorners(square, asked([wall([100, 60, -50], [280, 200, 50])]));
    expect(far.corners).toHaveLength(4);
    expect((far.corners[1] as Vec)[0]).toBeGreaterThan(400 - (300 - 12 - SET_BACK) + 30);
    const full = asked([wall([100, 14, -50], [386, 300, 50])]);
    expect(withCutCorners(square, full)).toBe(square);
  });

  test('kept square where shared lines are weighed; a place to pass cuts it there, as deep as it asks', () => {
    const parallel = { ...PRICES, offPlane: 0.1 };
    expect(withCutCorners(square, asked([], { prices: parallel }))).toBe(square);
    // 100 before the corner and 60 up: the leg aslant over it begins 160 before the corner.
    const over = asked([], { prices: parallel, vias: [[300, 60, 0]] });
    const { corners } = withCutCorners(square, over);
    expect(corners[1]?.map(Math.round)).toEqual([240, 0, 0]);
    expect(corners[2]?.map(Math.round)).toEqual([400, 160, 0]);
  });

  test('what it tells to have saved is the difference of the prices of both ways', () => {
    const step: WayFound = {
      ...square,
      corners: [
        [0, 0, 0],
        [300, 0, 0],
        [300, 280, 0],
        [700, 280, 0],
      ],
      to: end([700, 280, 0], [-1, 0, 0]),
    };
    const found = withCutCorners(step, asked());
    const price = (way: WayFound): number =>
      priceOf(way.corners, way.from, way.to, { ...asked(), under: Infinity })?.cost ?? NaN;
    expect(found.corners.length).toBeGreaterThan(4);
    expect(step.cost - found.cost).toBeCloseTo(price(step) - price(found), 6);
    expect(found.cost).toBeLessThan(step.cost);
  });

  test('a leg aslant in a plane that another run lies in pays no more than one along an axis there', () => {
    const slant: readonly Vec[] = [
      [0, 0, 0],
      [100, 0, 0],
      [300, 200, 0],
      [300, 300, 0],
    ];
    const prices = { ...PRICES, offPlane: 0.1 };
    const costIn = (level: FewBends['level']): number =>
      priceOf(slant, square.from, end([300, 300, 0], [0, -1, 0]), asked([], { level, prices }))
        ?.cost ?? NaN;
    const shared = costIn([[], [], [0]]),
      alone = costIn([[], [], [99]]);
    const long_mm = 100 + Math.hypot(200, 200) + 100;
    expect(alone - shared).toBeCloseTo(0.1 * long_mm, 6);
  });
});
