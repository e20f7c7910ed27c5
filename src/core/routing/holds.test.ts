import { describe, expect, test } from '@jest/globals';
import type { Via } from '../design';
import type { Vec } from '../geometry';
import type { EndWay, TubeLimits } from '.';
import { routeFewBends } from './fewBends';
import { followed } from './followed';
import { gripsOf, slidTo, withMoved } from './holds';
import { PARALLEL } from './prices';
import { legPasses, passesAll } from './waypoints';

/*
 * Worked by hand from right-angled triangles: at 45° a tube goes as far ahead as aside, and a leg
 * between two given lines that keeps its direction has one place for every point it passes.
 */
const limits: TubeLimits = { radius_mm: 20, atFitting_mm: 12, between_mm: 5 };
const asked = {
  workspace: { bounds: { min: [-500, -500, -500], max: [900, 900, 900] }, blocks: [] },
  limits,
  prices: PARALLEL,
  tube_mm: 7,
  level: [[], [], []],
} as const;
const mouth = (at: Vec, direction: Vec): EndWay => ({
  piece: 'straight',
  duties: [],
  bodies: [],
  mouth: at,
  direction,
  cost: 0,
});

/** Ahead, 40 aside at 45°, ahead again. */
const sidestep: readonly Vec[] = [
  [0, 0, 0],
  [100, 0, 0],
  [140, 40, 0],
  [300, 40, 0],
];
/** Ahead and up, the corner cut at 45°. */
const cut: readonly Vec[] = [
  [0, 0, 0],
  [100, 0, 0],
  [140, 40, 0],
  [140, 200, 0],
];
/** A sidestep, ahead, then up: the leg after the sidestep ends at no port. */
const bridge: readonly Vec[] = [...sidestep, [300, 300, 0]];
const ends = (way: readonly Vec[], into: Vec) => ({
  corners: way,
  from: mouth(way[0] as Vec, [1, 0, 0]),
  to: mouth(way.at(-1) as Vec, into),
});

describe('what of a way can be taken hold of', () => {
  test.each<[string, readonly Vec[], object]>([
    // Its end legs stay in their ports' lines, and the sidestep goes along them or out of its plane.
    [
      'a sidestep',
      sidestep,
      { 'leg 0': [1, 2], 'leg 1': [0, 2], 'leg 2': [1, 2], 'corner 1': [0], 'corner 2': [0] },
    ],
    [
      'a cut corner',
      cut,
      { 'leg 0': [1, 2], 'leg 1': [0, 1, 2], 'leg 2': [0, 2], 'corner 1': [0], 'corner 2': [1] },
    ],
    [
      'a square corner between two ports',
      [
        [0, 0, 0],
        [100, 0, 0],
        [100, 90, 0],
      ],
      { 'leg 0': [1, 2], 'leg 1': [0, 2] },
    ],
    [
      'a square way over a bridge',
      [
        [0, 0, 0],
        [0, 90, 0],
        [200, 90, 0],
        [200, 0, 0],
      ],
      { 'leg 0': [0, 2], 'leg 1': [1, 2], 'leg 2': [0, 2], 'corner 1': [1, 2], 'corner 2': [1, 2] },
    ],
  ])('%s', (_, way, axes) => {
    const told = gripsOf(way).map(({ hold, axes: along }) => [
      'leg' in hold ? `leg ${hold.leg}` : `corner ${hold.corner}`,
      along,
    ]);
    expect(Object.fromEntries(told)).toEqual(axes);
  });

  test('a leg between lines that lie in no plane with it has no way to slide', () => {
    const skew: readonly Vec[] = [
      [0, 0, 0],
      [100, 0, 0],
      [140, 40, 0],
      [140, 40, 200],
    ];
    expect(gripsOf(skew).find(({ hold }) => 'leg' in hold && hold.leg === 1)?.axes).toEqual([2]);
    expect(slidTo(skew, 1, [150, 50, 0])).toBeNull();
  });
});

describe('a leg aslant in the hand', () => {
  test.each<[string, readonly Vec[], Vec, Vec, Via]>([
    ['30 along the run', sidestep, [30, 0, 0], [1, 0, 0], [150, 20, 0]],
    ['aside it stays in its lines', sidestep, [0, 10, 0], [1, 0, 0], [110, 20, 0]],
    ['a cut corner, deeper by 10', cut, [-10, 0, 0], [0, 1, 0], [115, 25, 0]],
    ['a cut corner, less deep by 10', cut, [10, 0, 0], [0, 1, 0], [125, 15, 0]],
  ])('%s: its middle is the place to pass', (_, way, by, into, place) => {
    expect(withMoved([], way, { leg: 1 }, by)).toEqual([place]);
    const found = followed(ends(way, into.map((v) => -v) as unknown as Vec), [place], asked);
    const [, a, b] = found?.way.corners ?? [];
    expect(found?.isFree).toBe(true);
    // Still at 45°, and its middle is there.
    expect(Math.abs((b?.[0] ?? 0) - (a?.[0] ?? 0))).toBeCloseTo(
      Math.abs((b?.[1] ?? 0) - (a?.[1] ?? 0)),
      9,
    );
    place.forEach((v, i) => expect(((a?.[i] ?? 0) + (b?.[i] ?? 0)) / 2).toBeCloseTo(v ?? 0, 9));
  });

  test('a corner of it takes it along; moved again, the place before gives way', () => {
    expect(withMoved([], sidestep, { corner: 2 }, [30, 0, 0])).toEqual([[150, 20, 0]]);
    const once = sidestep.map((c, i): Vec => (i === 1 || i === 2 ? [c[0] + 30, c[1], c[2]] : c));
    expect(withMoved([[150, 20, 0]], once, { leg: 1 }, [-50, 0, 0])).toEqual([[100, 20, 0]]);
  });

  test('until a leg beside it is too short for its bend, or would turn round: nothing follows', () => {
    const way = ends(sidestep, [-1, 0, 0]);
    // Out of the fitting 12 mm straight, and 20 tan 22.5° = 8.28 to the corner: 20.28 at least.
    expect(followed(way, [[41, 20, 0]], asked)?.isFree).toBe(true);
    expect(followed(way, [[40, 20, 0]], asked)).toBeNull();
    expect(slidTo(sidestep, 1, [10, 20, 0])).toBeNull();
    // A place out of its plane.
    expect(slidTo(sidestep, 1, [120, 20, 5])).toBeNull();
  });

  test('beside a leg that is moved it grows, and keeps its angle', () => {
    const places = withMoved([], bridge, { leg: 2 }, [0, 20, 0]);
    expect(places).toEqual([[null, 60, null]]);
    // Up at the end: the leg into the port takes up 20, the leg aslant is 60 mm high now.
    const found = followed(ends(bridge, [0, -1, 0]), places, asked);
    expect(found?.way.corners.map((c) => c.map(Math.round))).toEqual([
      [0, 0, 0],
      [100, 0, 0],
      [160, 60, 0],
      [300, 60, 0],
      [300, 300, 0],
    ]);
  });

  test('a whole route goes with the hand, its leg aslant between two that move as well', () => {
    const way: readonly Vec[] = [
      [0, 0, -100],
      [0, 0, 0],
      [100, 0, 0],
      [140, 40, 0],
      [300, 40, 0],
      [300, 40, -100],
    ];
    expect(withMoved([], way, 'route', [0, 0, 10])).toEqual([
      [null, null, 10],
      [null, null, 10],
      [null, null, 10],
    ]);
    expect(withMoved([], way, 'route', [0, 10, 0])).toEqual([
      [null, 10, null],
      [120, 30, 0],
      [null, 50, null],
    ]);
  });
});

describe('places on ways of any direction', () => {
  test.each<[string, Via, boolean]>([
    ['a point on it', [120, 20, 0], true],
    ['a point beside it', [120, 25, 0], false],
    ['a point on its line, beyond its end', [150, 50, 0], false],
    ['a line it crosses', [110, null, 0], true],
    ['a plane it lies in', [null, null, 0], true],
    ['a plane it goes through', [120, null, null], false],
  ])('%s', (_, via, isPassed) => {
    expect(legPasses(via, [100, 0, 0], [140, 40, 0])).toBe(isPassed);
    expect(legPasses(via, [140, 40, 0], [100, 0, 0])).toBe(isPassed);
  });

  test('in their order along the way', () => {
    expect(
      passesAll(
        [
          [50, 0, 0],
          [null, 40, null],
        ],
        sidestep,
      ),
    ).toBe(true);
    expect(
      passesAll(
        [
          [null, 40, null],
          [50, 0, 0],
        ],
        sidestep,
      ),
    ).toBe(false);
  });

  test('few bends are looked for over a place: the sidestep lies where it was put', () => {
    const from = mouth([0, 0, 0], [1, 0, 0]),
      to = mouth([300, 40, 0], [-1, 0, 0]);
    for (const at of [60, 120, 163.7]) {
      const found = routeFewBends([from], [to], { ...asked, vias: [[at, 20, 0]] });
      expect(found?.corners.length).toBe(4);
      expect(found?.corners[1]?.[0]).toBeCloseTo(at - 20, 6);
      expect(found?.corners[2]?.[0]).toBeCloseTo(at + 20, 6);
    }
    expect(routeFewBends([from], [to], { ...asked, vias: [[60, 90, 0]] })).toBeNull();
  });
});
