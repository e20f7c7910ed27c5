import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { Design } from '../design';
import type { Vec } from '../geometry';
import { compileSystem } from '../system';
import { runsOf } from '../routing';
import type { Run, Segment } from '../tubing';
import {
  farEndOf,
  lastMoveOf,
  putInBetween,
  putInOf,
  standingInWay,
  type Beside,
  type TubeEnd,
} from '.';

const end = (at: Vec, into: Vec): TubeEnd => ({ at, into });

/** Statics of a stiff tube between two collars: known by hand, from memory. */
describe('a formed tube between two fittings', () => {
  test('both ports look the same way: a U is pushed in with one move', () => {
    const u = putInBetween(end([0, 0, 0], [0, -1, 0]), end([120, 0, 0], [0, -1, 0]));
    expect(u).toEqual({ how: 'together' });
    const stepped = putInBetween(end([0, 0, 0], [0, -1, 0]), end([120, 60, 0], [0, -1, 0]));
    expect(stepped).toEqual({ how: 'together' });
  });

  test('a U between two facing ports is not: a fitting comes off first', () => {
    const facing = putInBetween(end([0, 0, 0], [-1, 0, 0]), end([150, 0, 0], [1, 0, 0]));
    expect(facing.how).toBe('loosen');
    // Both ends push against each other: all of the depth is short.
    expect(facing.how === 'loosen' && facing.short_mm).toBeCloseTo(8, 6);
    const aside = putInBetween(end([0, 0, 0], [-1, 0, 0]), end([150, 40, 30], [1, 0, 0]));
    expect(aside.how).toBe('loosen');
  });

  test('ports back to back far apart: the second swings in about the first', () => {
    // The second end goes in square to the line between both: a turn about the first brings it.
    const swung = putInBetween(end([0, 0, 0], [0, -1, 0]), end([200, 0, 0], [0, 0, -1]));
    expect(swung.how).toBe('swing');
    // About the first end's own axis it turns freely: 8 mm at 200 mm.
    expect(swung.how === 'swing' && swung.swing_deg).toBeCloseTo((8 / 200) * (180 / Math.PI), 1);
  });

  test('a corner between two ports at right angles pushes against itself', () => {
    const corner = putInBetween(end([0, 0, 0], [-1, 0, 0]), end([120, -120, 0], [0, -1, 0]));
    expect(corner.how).toBe('loosen');
    expect(corner.how === 'loosen' && corner.short_mm).toBeCloseTo(8 * Math.SQRT1_2, 6);
  });

  test('of every hard run of the tower it is said; of soft tube it is not', () => {
    const of = (name: string) => runsOf(compileSystem(demoDesign(name) as Design));
    const hard = of('fenland-flood-tower').filter((r) => r.routed);
    expect(hard.length).toBeGreaterThan(5);
    for (const run of hard) expect(putInOf(run)).not.toBeNull();
    for (const run of of('dawn-chorus-desk')) expect(putInOf(run)).toBeNull();
  });
});

/** A path of legs and 90° bends in the plane, radius 30. */
const bent: readonly Segment[] = [
  { kind: 'line', from: [0, 0, 0], to: [100, 0, 0] },
  {
    kind: 'arc',
    from: [100, 0, 0],
    to: [130, 30, 0],
    centre: [100, 30, 0],
    radius: 30,
    axis: [0, 0, 1],
    angle_deg: 90,
  },
  { kind: 'line', from: [130, 30, 0], to: [130, 230, 0] },
];

describe('errors at the far end', () => {
  const routed = (path: readonly Segment[]) => ({ routed: { path } }) as never;

  test('one bend: a mark by 1 mm, and 2° over the lever from its middle', () => {
    const far = farEndOf(routed(bent));
    // Lever from the bend's centre to the far end: (30, 200).
    const swing = Math.hypot(30, 200) * ((2 * Math.PI) / 180);
    expect(far?.off_mm).toBeCloseTo(Math.hypot(1, swing), 9);
    expect(far?.worst_mm).toBeCloseTo(1 + swing, 9);
    expect(far?.askew_deg).toBe(2);
  });

  test('a straight tube errs by nothing; one that is not routed says nothing', () => {
    expect(farEndOf(routed(bent.slice(0, 1)))).toEqual({ off_mm: 0, worst_mm: 0, askew_deg: 0 });
    expect(farEndOf({ routed: undefined } as never)).toBeNull();
  });

  test('is what a tube bent 2° too far comes to', () => {
    // The same tube with its bend at 92°: all behind turns by 2° about the bend's centre.
    const turn = (2 * Math.PI) / 180;
    const [x, y] = [30, 200];
    const moved = Math.hypot(
      x * Math.cos(turn) - y * Math.sin(turn) - x,
      x * Math.sin(turn) + y * Math.cos(turn) - y,
    );
    const far = farEndOf(routed(bent))?.off_mm ?? 0;
    expect(Math.sqrt(far ** 2 - 1)).toBeCloseTo(moved, 1);
  });
});

const towersRuns = runsOf(compileSystem(demoDesign('fenland-flood-tower') as Design));
const routed = towersRuns.filter((r) => r.routed),
  [any] = routed;

describe('what stands where a formed tube must pass', () => {
  const u: Run = {
    ...(any as Run),
    routed: {
      ...(any?.routed as NonNullable<Run['routed']>),
      // A U whose ends both go down into fittings that look up.
      path: [
        { kind: 'line', from: [0, 0, 0], to: [0, 60, 0] },
        {
          kind: 'arc',
          from: [0, 60, 0],
          to: [30, 90, 0],
          centre: [30, 60, 0],
          radius: 30,
          axis: [0, 0, -1],
          angle_deg: 90,
        },
        { kind: 'line', from: [30, 90, 0], to: [90, 90, 0] },
        {
          kind: 'arc',
          from: [90, 90, 0],
          to: [120, 60, 0],
          centre: [90, 60, 0],
          radius: 30,
          axis: [0, 0, -1],
          angle_deg: 90,
        },
        { kind: 'line', from: [120, 60, 0], to: [120, 0, 0] },
      ],
      pieces: (['from', 'to'] as const).map((end) => ({
        ...(any?.routed?.pieces[0] as NonNullable<Run['routed']>['pieces'][number]),
        end,
        from: end === 'from' ? [0, -20, 0] : [120, -20, 0],
        to: end === 'from' ? [0, 0, 0] : [120, 0, 0],
      })),
    },
  };
  const tube = {
    id: u.id,
    radius_mm: 7,
    points: [
      [0, 0, 0],
      [0, 30, 0],
      [0, 60, 0],
      [30, 90, 0],
      [60, 90, 0],
      [90, 90, 0],
      [120, 60, 0],
      [120, 0, 0],
    ] as readonly Vec[],
  };
  const bar = (component: string, min: Vec, max: Vec): Beside => ({ component, box: { min, max } });

  test('the last move of a U into two fittings that look up is 8 mm straight down', () => {
    const move = lastMoveOf(u);
    expect(move?.([60, 90, 0], 1).map((v) => Math.round(v * 1e6) / 1e6)).toEqual([60, 98, 0]);
    expect(move?.([60, 90, 0], 0.5)[1]).toBeCloseTo(94, 6);
  });

  test('a shelf 5 mm over it is met, one 15 mm over it is not', () => {
    const over = (gap: number) => bar('shelf', [20, 97 + gap, -20], [100, 110 + gap, 20]);
    expect(standingInWay(u, tube, [over(5)], [])).toEqual(['shelf']);
    expect(standingInWay(u, tube, [over(15)], [])).toEqual([]);
  });

  test('what it touches where it lies holds it and is not told', () => {
    expect(standingInWay(u, tube, [bar('fitting', [-10, -20, -10], [10, 2, 10])], [])).toEqual([]);
  });

  test('another tube over it is met by its round, not by its box', () => {
    const across = (y: number) => ({
      id: 'other',
      radius_mm: 7,
      points: [
        [60, y, -40],
        [60, y, 0],
        [60, y, 40],
      ] as readonly Vec[],
    });
    // 14 mm apart they touch; the move takes 8 mm (10 mm where it is looked at clear of the collar).
    expect(standingInWay(u, tube, [], [across(90 + 14 + 6)])).toEqual(['other']);
    expect(standingInWay(u, tube, [], [across(90 + 14 + 11)])).toEqual([]);
    expect(standingInWay(u, tube, [], [{ ...across(110), id: u.id }])).toEqual([]);
  });

  test('a tube that must be loosened has no such move', () => {
    const stuck = towersRuns.filter((r) => putInOf(r)?.how === 'loosen');
    for (const run of stuck) {
      expect(lastMoveOf(run)).toBeNull();
      expect(
        standingInWay(run, tube, [bar('all', [-999, -999, -999], [999, 999, 999])], []),
      ).toEqual([]);
    }
    const going = routed.filter((r) => lastMoveOf(r) !== null);
    expect(stuck.length).toBeGreaterThan(0);
    expect(going.length + stuck.length).toBe(routed.length);
  });
});
