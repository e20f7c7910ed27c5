import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Via } from '../design';
import { distance, type Vec } from '../geometry';
import { routeRigid, roundedPath, type EndWay, type Workspace, type TubeLimits } from '.';
import { slanted } from './diagonal';
import { passedOn, passes, viaBound } from './waypoints';

const limits: TubeLimits = { radius_mm: 20, atFitting_mm: 12, between_mm: 5 };
const workspace: Workspace = { bounds: { min: [0, 0, 0], max: [500, 500, 500] }, blocks: [] };
const end = (mouth: Vec, direction: Vec): EndWay => ({
  piece: 'straight',
  duties: [],
  bodies: [],
  mouth,
  direction,
  cost: 0,
});

describe('places to pass', () => {
  test('a point on the leg, a line it crosses, a plane it lies in', () => {
    expect(passes([100, 50, 50], [20, 50, 50], 0, 1, 200)).toBe(true);
    expect(passes([100, 60, 50], [20, 50, 50], 0, 1, 200)).toBe(false);
    expect(passes([300, 50, 50], [20, 50, 50], 0, 1, 200)).toBe(false);
    expect(passes([100, 50, 50], [220, 50, 50], 0, -1, 200)).toBe(true);
    // A plane is passed by a leg in it, not by one that goes through it.
    expect(passes([null, 50, null], [20, 50, 70], 0, 1, 10)).toBe(true);
    expect(passes([null, 50, null], [20, 0, 70], 1, 1, 200)).toBe(false);
  });

  test('several in their order, by one leg if it passes them all', () => {
    const vias: readonly Via[] = [
      [100, null, null],
      [null, 50, null],
      [200, 50, null],
    ];
    expect(passedOn(vias, 0, [0, 50, 0], 0, 1, 300)).toBe(0);
    expect(passedOn(vias, 1, [0, 50, 0], 0, 1, 300)).toBe(3);
    expect(passedOn(vias, 1, [0, 50, 0], 0, 1, 150)).toBe(2);
  });

  test('the bound is never more than a way over the place', () => {
    const p = fc.tuple(
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 0, max: 500 }),
      ),
      open = fc.option(fc.integer({ min: 0, max: 500 }), { nil: null });
    fc.assert(
      fc.property(p, p, p, fc.tuple(open, open, open), (a, b, over, via) => {
        const at = over.map((v, i) => via[i as 0] ?? v),
          l1 = (x: readonly number[], y: readonly number[]): number =>
            x.reduce((s, v, i) => s + Math.abs(v - (y[i] as number)), 0);
        expect(viaBound(a, via, b)).toBeLessThanOrEqual(l1(a, at) + l1(at, b) + 1e-9);
      }),
      { numRuns: 400 },
    );
  });

  test('a straight way that must pass a height goes up there and comes down again, as cheap as by hand', () => {
    const a = end([50, 100, 100], [1, 0, 0]),
      b = end([450, 100, 100], [-1, 0, 0]),
      lines = [[50, 90, 140, 360, 410, 450], [100, 200], [100]] as [number[], number[], number[]];
    const way = routeRigid(workspace, [a], [b], limits, lines, null, { vias: [[null, 200, null]] });
    // Up 100, down 100, four bends of 45 less what each rounds off.
    expect(way?.cost).toBeCloseTo(400 + 200 + 4 * (80 - (2 - Math.PI / 2) * 20), 6);
    expect(way?.corners.filter((c) => c[1] === 200).length).toBe(2);
    expect(
      routeRigid(workspace, [a], [b], limits, lines, null, { vias: [[null, 300, null]] }),
    ).toBeNull();
  });
});

describe('aslant', () => {
  const step: readonly Vec[] = [
    [0, 100, 100],
    [200, 100, 100],
    [200, 200, 100],
    [400, 200, 100],
  ];

  test('a step of 100 mm becomes a leg of 141.4 mm between bends of 45°, half of it before and half behind', () => {
    const out = slanted(workspace, step, limits);
    expect(out).toEqual([
      [0, 100, 100],
      [150, 100, 100],
      [250, 200, 100],
      [400, 200, 100],
    ]);
    expect(distance(out[1] as Vec, out[2] as Vec)).toBeCloseTo(100 * Math.SQRT2, 9);
    expect(
      roundedPath(out, 20)
        .filter((s) => s.kind === 'arc')
        .map((s) => (s.kind === 'arc' ? Math.round(s.angle_deg * 1e6) / 1e6 : 0)),
    ).toEqual([45, 45]);
  });

  test('not where something stands in the way, where it would leave no straight, or where the tube turns back', () => {
    expect(
      slanted(
        {
          ...workspace,
          blocks: [{ id: 'post', min: [190, 140, 80], max: [210, 160, 120], penalty: Infinity }],
        },
        step,
        limits,
      ),
    ).toEqual(step);
    const tight: readonly Vec[] = [
        [150, 100, 100],
        [200, 100, 100],
        [200, 200, 100],
        [400, 200, 100],
      ],
      back: readonly Vec[] = [
        [0, 100, 100],
        [200, 100, 100],
        [200, 200, 100],
        [0, 200, 100],
      ];
    expect(slanted(workspace, tight, limits)).toEqual(tight);
    expect(slanted(workspace, back, limits)).toEqual(back);
  });
});
