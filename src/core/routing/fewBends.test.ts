import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import type { Design } from '../design';
import { compileSystem } from '../system';
import { add, dot, norm, scale, sub, type Vec } from '../geometry';
import { endWays, type EndWay } from './ends';
import { oddly, plainly, routeFewBends } from './fewBends';
import { pathLength, roundedPath } from './path';
import { bendPrice, pricesOf } from './prices';
import { meetsItself, meetsOwnEnds, winds } from './selfGap';
import { crossingsOf, tidinessOf } from './tidiness';
import { routesOf } from './laid';
import type { Workspace } from './workspace';

const fitting = catalogued('fitting', 'fit-hard-14');
const tube = catalogued('tube', 'tube-petg-14-10');
const end = (at: Vec, direction: Vec): EndWay =>
  endWays(at, direction, 'straight', { fitting, kit: STANDARD_KIT }, false)[0] as EndWay;
const room: Workspace = {
  bounds: { min: [-2000, -2000, -2000], max: [2000, 2000, 2000] },
  blocks: [],
};
const limits = { radius_mm: 30, atFitting_mm: 12, between_mm: 14 };
const asked = (style: 'parallel' | 'free', workspace = room) => ({
  workspace,
  limits,
  prices: pricesOf({ tube, routing: { style } }),
  tube_mm: 7,
  level: [[], [], []] as const,
});
const angles = (corners: readonly Vec[]): readonly number[] =>
  roundedPath(corners, 30).flatMap((s) =>
    s.kind === 'arc' ? [Math.round(s.angle_deg * 100) / 100] : [],
  );

/** Known by hand: fewest bends between two directed mouths, nothing in the way. */
describe('ways of few bends, known by hand', () => {
  test.each([
    ['in line', [0, 0, 0], [1, 0, 0], [300, 0, 0], [-1, 0, 0], []],
    ['round a corner', [0, 0, 0], [1, 0, 0], [200, 200, 0], [0, -1, 0], [90]],
    ['a step aside of 100', [0, 0, 0], [1, 0, 0], [400, 100, 0], [-1, 0, 0], [45, 45]],
    [
      'a step aside of 100 with too little room ahead for 45°',
      [0, 0, 0],
      [1, 0, 0],
      [150, 100, 0],
      [-1, 0, 0],
      [90, 90],
    ],
    ['a step aside of 50', [0, 0, 0], [1, 0, 0], [400, 50, 0], [-1, 0, 0], [45, 45]],
    ['a U', [0, 0, 0], [1, 0, 0], [0, 120, 0], [1, 0, 0], [90, 90]],
    ['a corner off its plane', [0, 0, 0], [1, 0, 0], [200, 200, 120], [0, -1, 0], [45, 90]],
  ] as const)('%s', (_, a, d, b, e, bends) => {
    const way = routeFewBends([end(a, d)], [end(b, e)], asked('parallel'));
    expect([...angles(way?.corners ?? [])].sort()).toEqual([...bends].sort());
  });

  test('a bend of 45° is worth seven eighths of one of 90° where legs are straight and parallel', () => {
    const parallel = pricesOf({ tube, routing: { style: 'parallel' } }),
      free = pricesOf({ tube, routing: { style: 'free' } });
    expect([0, 45, 90, 135].map((deg) => bendPrice(parallel, deg))).toEqual([60, 70, 80, 80]);
    expect([30, 45, 90].map((deg) => bendPrice(free, deg))).toEqual([60, 60, 60]);
  });

  test('straight and parallel has no odd angle where a square or 45° one has a way', () => {
    // Off to both sides by odd measures: two bends of odd angles would be shorter.
    const ports = [[end([0, 0, 0], [1, 0, 0])], [end([90, 230, 160], [0, -1, 0])]] as const;
    const asIs = asked('parallel');
    const own = routeFewBends(...ports, plainly(asIs));
    for (const deg of angles(own?.corners ?? [])) expect([45, 90]).toContain(deg);
    expect(own).not.toBeNull();
    // In a style that likes them nothing is held back.
    expect(plainly(asked('free')).prices.oddAngle_mm).toBe(0);
    expect(oddly(...ports, asked('free'))).toBeNull();
    // The last way: two odd bends, each 55 mm of tube dearer than a builder's angle, and 30 more.
    const last = oddly(...ports, asIs);
    const corners = last?.corners ?? [];
    const prices = angles(corners).map((deg) => bendPrice(asIs.prices, deg) + 55 + 30);
    expect(prices.length).toBe(2);
    const tube_mm = pathLength(roundedPath(corners, limits.radius_mm));
    expect(last?.cost).toBeCloseTo(tube_mm + prices.reduce((a, b) => a + b, 0), 3);
    expect(last?.cost).toBeGreaterThan(own?.cost ?? Infinity);
    expect(oddly(...ports, { ...asIs, under: own?.cost ?? NaN })).toBeNull();
  });

  test('something in the way of the straight one: the next that is free', () => {
    const wall: Workspace = {
      ...room,
      blocks: [{ id: 'wall', min: [150, 60, -50], max: [250, 400, 50], penalty: Infinity }],
    };
    const ports = [[end([0, 0, 0], [1, 0, 0])], [end([200, 200, 120], [0, -1, 0])]] as const;
    const free = routeFewBends(...ports, asked('parallel'));
    const round = routeFewBends(...ports, asked('parallel', wall));
    expect(round).not.toBeNull();
    expect(round?.cost).toBeGreaterThanOrEqual(free?.cost ?? Infinity);
  });

  test('too short for its bends, there is none', () => {
    expect(
      routeFewBends([end([0, 0, 0], [1, 0, 0])], [end([60, 20, 0], [0, -1, 0])], {
        ...asked('parallel'),
        limits: { ...limits, angles_deg: [90] },
      }),
    ).toBeNull();
  });

  test('no way is told that is not cheaper than asked for', () => {
    const ports = [[end([0, 0, 0], [1, 0, 0])], [end([200, 200, 0], [0, -1, 0])]] as const;
    const { cost } = routeFewBends(...ports, asked('parallel')) ?? { cost: NaN };
    expect(routeFewBends(...ports, { ...asked('parallel'), under: cost - 1 })).toBeNull();
  });
});

/**
 * A search of its own: both corners walk out of their fittings on a fine lattice, then by halving
 * steps; the same prices (tube, and 60 mm a bend), no common code but the rounding of corners.
 */
function foreign(
  p: Vec,
  d: Vec,
  q: Vec,
  e: Vec,
): { readonly cost: number; readonly corners: readonly Vec[] } {
  const at = (a: Vec, v: Vec, t: number): Vec => [
    a[0] + v[0] * t,
    a[1] + v[1] * t,
    a[2] + v[2] * t,
  ];
  const costOf = (s: number, t: number): number => {
    const corners = [p, at(p, d, s), at(q, e, t), q];
    const path = roundedPath(corners, 30);
    const arcs = path.filter((x) => x.kind === 'arc');
    const lines = path.map((x, i) => ({ x, i })).filter(({ x }) => x.kind === 'line');
    for (const { x, i } of lines) {
      const length = Math.hypot(...[0, 1, 2].map((k) => x.to[k as 0] - x.from[k as 0]));
      const least = i === 0 || i === path.length - 1 ? 12 : 14;
      if (length < least - 1e-9) return Infinity;
    }
    if (path[0]?.kind !== 'line' || path[path.length - 1]?.kind !== 'line') return Infinity;
    // Rounded corners that overlap run backwards.
    const back = lines.some(({ x, i }) => {
      const [a, b] = [corners[0] as Vec, corners[1] as Vec];
      return (
        i === 0 &&
        [0, 1, 2].some((k) => (x.to[k as 0] - x.from[k as 0]) * (b[k as 0] - a[k as 0]) < -1e-9)
      );
    });
    if (back || arcs.some((x) => x.kind === 'arc' && x.angle_deg > 170)) return Infinity;
    const set = arcs.map((x) =>
      x.kind === 'arc' ? 30 * Math.tan((x.angle_deg * Math.PI) / 360) : 0,
    );
    const middle = Math.hypot(
      ...[0, 1, 2].map((k) => (corners[2] as Vec)[k as 0] - (corners[1] as Vec)[k as 0]),
    );
    if (set.length === 2 && (set[0]! + 12 > s + 1e-9 || set[1]! + 12 > t + 1e-9)) return Infinity;
    if (set.length === 2 && middle - set[0]! - set[1]! < 14 - 1e-9) return Infinity;
    return pathLength(path) + 60 * arcs.length;
  };
  let best = { s: 0, t: 0, cost: Infinity };
  for (let s = 12; s < 420; s += 6)
    for (let t = 12; t < 420; t += 6) {
      const cost = costOf(s, t);
      if (cost < best.cost) best = { s, t, cost };
    }
  for (let step = 3; step > 0.05; step /= 2)
    for (const [x, y] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      const cost = costOf(best.s + x * step, best.t + y * step);
      if (cost < best.cost) best = { s: best.s + x * step, t: best.t + y * step, cost };
    }
  return { cost: best.cost, corners: [p, at(p, d, best.s), at(q, e, best.t), q] };
}

test('free angles are never more than 5 % dearer than a search of its own finds, on 234 pairs', () => {
  const axis = fc.constantFrom<Vec>(
    [1, 0, 0],
    [-1, 0, 0],
    [0, 1, 0],
    [0, -1, 0],
    [0, 0, 1],
    [0, 0, -1],
  );
  const to = fc.tuple(
    fc.integer({ min: -400, max: 400 }),
    fc.integer({ min: -400, max: 400 }),
    fc.integer({ min: -400, max: 400 }),
  ) as fc.Arbitrary<Vec>;
  let compared = 0,
    none = 0;
  fc.assert(
    fc.property(axis, axis, to, (d, e, at) => {
      const a = end([0, 0, 0], d),
        b = end(at, e);
      const theirs = foreign(a.mouth, a.direction, b.mouth, b.direction);
      const ours = routeFewBends([a], [b], asked('free'));
      // Nearer than that, the fittings themselves are in each other.
      if (theirs.cost === Infinity || Math.hypot(...at) < 120) return;
      // The other search lets a tube run through its own fittings and itself.
      const path = roundedPath(theirs.corners, 30);
      if (meetsOwnEnds(path, 7, a, b) || meetsItself(path, 7)) return;
      compared += 1;
      if (!ours) {
        none += 1;
        return;
      }
      expect(ours.cost).toBeLessThanOrEqual(1.05 * theirs.cost);
    }),
    { numRuns: 400, seed: 5 },
  );
  expect(compared).toBeGreaterThan(200);
  // Right at the edge of what two bends can do, where its own legs leave a hair of room.
  expect(none).toBeLessThan(0.05 * compared);
}, 60_000);

describe('a tube and itself', () => {
  const loop: readonly Vec[] = [
    [0, 0, 0],
    [200, 0, 0],
    [200, 100, 0],
    [100, 100, 0],
    [100, -100, 0],
  ];

  test('a way over its own leg meets it; one that passes a diameter off does not', () => {
    expect(meetsItself(roundedPath(loop, 30), 7)).toBe(true);
    const over = loop.map((p, i): Vec => (i >= 2 ? [p[0], p[1], 40] : p));
    expect(meetsItself(roundedPath(over, 15), 7)).toBe(false);
    expect(meetsItself(roundedPath(loop.slice(0, 3), 30), 7)).toBe(false);
  });

  test('four turns the same way wind round; a staircase does not', () => {
    const coil: readonly Vec[] = [
      [0, 0, 0],
      [100, 0, 0],
      [100, 100, 0],
      [0, 100, 0],
      [0, 20, 0],
      [60, 20, 0],
    ];
    expect(winds(roundedPath(coil, 10))).toBe(true);
    const stairs: readonly Vec[] = [
      [0, 0, 0],
      [100, 0, 0],
      [100, 100, 0],
      [200, 100, 0],
      [200, 200, 0],
      [300, 200, 0],
    ];
    expect(winds(roundedPath(stairs, 10))).toBe(false);
  });
});

/** Along the axes of the case, and at 45° to each, eight ways round. */
const AXES: readonly Vec[] = [0, 1, 2].flatMap((i) =>
  [1, -1].map((sign): Vec => [i === 0 ? sign : 0, i === 1 ? sign : 0, i === 2 ? sign : 0]),
);
const WAYS: readonly Vec[] = AXES.flatMap((axis) => {
  const [p, q] = AXES.filter((a) => dot(a, axis) === 0 && a.some((x) => x > 0)) as [Vec, Vec];
  const round = [0, 1, 2, 3, 4, 5, 6, 7].map((k) => (k * Math.PI) / 4);
  return [
    axis,
    ...round.map((t) =>
      scale(add(axis, add(scale(p, Math.cos(t)), scale(q, Math.sin(t)))), Math.SQRT1_2),
    ),
  ];
});
const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-9;

describe('tidiness', () => {
  const tower = demoDesign('fenland-flood-tower') as Design;
  const system = compileSystem(tower);
  const { routes } = routesOf(system);
  const tidy = tidinessOf(system, routes, 0);

  /** What the issue of good routes asks of hard tube (common practice, no source). */
  test('the tower is bent as a builder would: two bends a run, few planes, no crossing', () => {
    expect(tidy.hard?.bendsPerRun).toBeLessThanOrEqual(2);
    expect(tidy.hard?.atMost3).toBeGreaterThanOrEqual(0.9);
    expect(tidy.hard?.above4).toBe(0);
    expect(tidy.hard?.atMost2Planes).toBeGreaterThanOrEqual(0.9);
    expect(tidy.hard?.bendsOverBound).toBeLessThanOrEqual(1.25);
    expect(tidy.hard?.sharedLegs).toBeGreaterThanOrEqual(0.5);
    expect(tidy.hard?.oddAngles).toBe(0);
    expect(tidy.crossings).toBe(0);
    expect(tidy.runs.filter((r) => r.meetsItself)).toEqual([]);
  });

  test('no run is shorter than its bound, nor has fewer bends than its ends ask for', () => {
    for (const r of tidy.runs) {
      expect(r.length_mm).toBeGreaterThanOrEqual(r.leastLength_mm - 1e-6);
      expect(r.score).toBeGreaterThan(0);
      expect(r.score).toBeLessThanOrEqual(1);
    }
  });

  /** A run through these corners, as the tower's first hard run is bent. */
  const bent = (corners: readonly Vec[]): (typeof routes)[number] => {
    const hard = routes.find((r) => tidy.runs.some((t) => t.hard && t.connection === r.connection));
    const first = sub(corners[1] as Vec, corners[0] as Vec),
      last = sub(corners.at(-2) as Vec, corners.at(-1) as Vec);
    const end = (mouth: Vec, way: Vec) => ({ mouth, direction: scale(way, 1 / norm(way)) });
    return {
      ...(hard as (typeof routes)[number]),
      corners,
      radius_mm: 30,
      path: roundedPath(corners, 30),
      from: { ...hard?.from, ...end(corners[0] as Vec, first) },
      to: { ...hard?.to, ...end(corners.at(-1) as Vec, last) },
    } as (typeof routes)[number];
  };
  const boundOf = (corners: readonly Vec[]) =>
    tidinessOf(system, [bent(corners)], 0).runs[0] as (typeof tidy.runs)[number];

  test('the bound of a sidestep in any plane is the sidestep, less what four bends of 45° spare', () => {
    const { length_mm, leastLength_mm } = boundOf([
      [0, 0, 0],
      [100, 0, 0],
      [150, 40, 30],
      [300, 40, 30],
    ]);
    // Legs 100 + 50 √2 + 150; each bend of 45° spares R (2 tan 22.5° − π/4).
    const spared = 30 * (2 * Math.tan(Math.PI / 8) - Math.PI / 4);
    expect(length_mm).toBeCloseTo(250 + 50 * Math.SQRT2 - 2 * spared, 6);
    expect(leastLength_mm).toBeCloseTo(length_mm - 2 * spared, 6);
  });

  test('of a straight tube it is its length, however short', () => {
    const stub = boundOf([
      [0, 0, 0],
      [5, 0, 0],
    ]);
    expect([stub.length_mm, stub.leastLength_mm]).toEqual([5, 5]);
  });

  test('round a corner two bends of 45° are the least, but for what such bends spare', () => {
    const round = boundOf([
      [0, 0, 0],
      [25, 0, 0],
      [300, 275, 0],
      [300, 300, 0],
    ]);
    expect(round.leastLength_mm / round.length_mm).toBeGreaterThan(0.97);
    const square = boundOf([
      [0, 0, 0],
      [300, 0, 0],
      [300, 300, 0],
    ]);
    expect(square.leastLength_mm).toBeCloseTo(round.leastLength_mm, 6);
    expect(square.length_mm / square.leastLength_mm).toBeGreaterThan(1.15);
  });

  test('no tube of one to four bends of 45° and 90°, whichever way, is shorter than its bound', () => {
    const step = fc.record({ way: fc.nat(), leg_mm: fc.integer({ min: 80, max: 280 }) });
    fc.assert(
      fc.property(fc.array(step, { minLength: 2, maxLength: 5 }), (steps) => {
        const corners: Vec[] = [[0, 0, 0]];
        let way: Vec = [1, 0, 0];
        steps.forEach((s, i) => {
          const isEnd = i === steps.length - 1;
          const ways = isEnd ? AXES : WAYS;
          const on = ways.filter((w) => [0, Math.SQRT1_2].some((c) => near(dot(w, way), c)));
          if (i > 0) way = on[s.way % on.length] ?? way;
          corners.push(add(corners.at(-1) as Vec, scale(way, s.leg_mm)));
        });
        fc.pre(AXES.some((a) => near(dot(a, way), 1)));
        const { length_mm, leastLength_mm } = boundOf(corners);
        expect(leastLength_mm).toBeLessThanOrEqual(length_mm + 1e-6);
      }),
      { numRuns: 300 },
    );
  });

  test('soft tube turns at most 1.3 times what its ends ask for, and nowhere a full turn', () => {
    const desk = compileSystem(demoDesign('dawn-chorus-desk') as Design);
    const soft = tidinessOf(desk, routesOf(desk).routes, 0);
    expect(soft.soft?.turningOverLeast).toBeLessThanOrEqual(1.3);
    for (const r of soft.runs) expect(r.turning_deg).toBeLessThan(300);
  });

  test('two runs cross where their legs do as seen from the window, and once is enough', () => {
    const flat = (connection: string, corners: readonly Vec[]) =>
      ({ ...routes[0], connection, corners }) as (typeof routes)[number];
    const a = flat('a', [
        [0, 0, 0],
        [100, 0, 0],
      ]),
      b = flat('b', [
        [50, -50, 90],
        [50, 50, 90],
      ]),
      c = flat('c', [
        [150, -50, 0],
        [150, 50, 0],
      ]);
    expect(crossingsOf([a, b, c])).toEqual([['a', 'b']]);
  });

  test('what hangs in a run stands on a straight leg of it', () => {
    for (const id of ['filter', 'meter']) {
      const loop = tower.loops[0] as Design['loops'][number];
      const own = loop.connections.filter((c) => [c.from.component, c.to.component].includes(id));
      const ends = own.map((c) => routes.find((r) => r.connection === c.id));
      for (const [i, r] of ends.entries()) {
        const side = own[i]?.to.component === id ? 'to' : 'from';
        expect(r?.[side].piece).toBe('straight');
      }
    }
  });
});
