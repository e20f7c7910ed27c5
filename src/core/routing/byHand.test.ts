import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import {
  applyEdit,
  EMPTY_LAYOUT,
  type Component,
  type Connection,
  type Design,
  type RouteConstraints,
  type Via,
} from '../design';
import { compileSystem } from '../system';
import { distance, type Vec } from '../geometry';
import { check } from './checker.fixture';
import {
  gripsOf,
  rerouteRun,
  routeDesign,
  routedRuns,
  routesOf,
  withFrames,
  withLegAt,
  withMoved,
  type Route,
  type Routed,
} from '.';

const tower = demoDesign('fenland-flood-tower') as Design,
  desk = demoDesign('dawn-chorus-desk') as Design;
const laid = routesOf(compileSystem(tower));
const routeOf = (found: Routed, link: string): Route => {
  const r = found.routes.find((x) => x.connection === link);
  if (!r) throw new Error(`no way for ${link}`);
  return r;
};
const byHand = (design: Design, link: string, constraints: RouteConstraints): Design =>
  applyEdit(design, {
    do: 'connection.way',
    loop: design.loops.find((l) => l.connections.some((k) => k.id === link))?.id ?? '',
    connection: link,
    constraints,
  }).design;
const ROUTED = new WeakMap<Design, ReturnType<typeof routeDesign>>();
function routedOnce(design: Design): ReturnType<typeof routeDesign> {
  const found = ROUTED.get(design) ?? routeDesign(design);
  ROUTED.set(design, found);
  return found;
}
/** Routed from nothing, and what the independent checker says of it. */
const routed = (design: Design): Routed => routedOnce(design).routed;
const whole = (design: Design): readonly string[] => {
  const { frames, routed: found } = routedOnce(design);
  const system = compileSystem(withFrames(design, { frames }));
  return check(system, routedRuns(system, found));
};
/** Whether some straight of a way lies at this height (or depth). */
const liesAt = (r: Route, axis: 0 | 1 | 2, at: number): boolean =>
  r.corners
    .slice(1)
    .some(
      (b, i) =>
        Math.abs(b[axis] - at) < 0.7 &&
        Math.abs((r.corners[i] as Vec)[axis] - at) < 0.7 &&
        distance(b, r.corners[i] as Vec) > 5,
    );

/** How far a way stays off a place: every leg in steps of a millimetre, or a whole leg off a plane. */
function offPlace({ corners }: Route, via: Via): number {
  const off = (p: Vec): number => Math.max(...p.map((v, i) => Math.abs(v - (via[i as 0] ?? v))));
  const isPlane = via.filter((v) => v !== null).length === 1;
  const legs = corners.slice(1).map((b, i) => {
    const a = corners[i] as Vec,
      steps = Math.ceil(distance(a, b));
    const offs = Array.from({ length: steps + 1 }, (_, k) =>
      off(a.map((v, j) => v + ((b[j as 0] - v) * k) / steps) as unknown as Vec),
    );
    return isPlane ? Math.max(...offs) : Math.min(...offs);
  });
  return Math.min(...legs);
}

describe('a run set by hand', () => {
  const middle = routeOf(laid, 'run-7'),
    leg = middle.corners[1] as Vec;

  test('a leg drawn into another plane lies there; the others go round it; nothing clashes', () => {
    const to = Math.round(leg[0]) + 20,
      design = byHand(tower, 'run-7', { waypoints: withLegAt([], middle.corners, 1, 0, to) }),
      found = routed(design);
    expect(liesAt(routeOf(found, 'run-7'), 0, to)).toBe(true);
    expect(found.missing).toEqual([]);
    expect(whole(design)).toEqual([]);
  });

  test('in the hand, it alone is laid anew', () => {
    const to = Math.round(leg[0]) + 20,
      now = rerouteRun(
        byHand(tower, 'run-7', { waypoints: withLegAt([], middle.corners, 1, 0, to) }),
        laid,
        'run-7',
      );
    expect(liesAt(routeOf(now, 'run-7'), 0, to)).toBe(true);
    for (const r of laid.routes)
      if (r.connection !== 'run-7') expect(routeOf(now, r.connection).path).toBe(r.path);
  });

  test('whatever can be gripped, drawn to a side in the hand: what is told as free passes there and clashes with nothing; of what is not nearly all does', () => {
    const system = compileSystem(tower);
    const held = laid.routes.flatMap(({ connection, corners }) =>
      gripsOf(corners).flatMap(({ hold, axes }) =>
        axes.flatMap((axis) =>
          [25, -25].map((mm) => {
            const by = [0, 1, 2].map((i) => (i === axis ? mm : 0)) as unknown as Vec;
            return { connection, waypoints: withMoved([], corners, hold, by) };
          }),
        ),
      ),
    );
    let free = 0,
      blocked = 0,
      met = 0,
      slid = 0;
    for (const { connection, waypoints } of held) {
      expect(waypoints.length).toBeGreaterThan(0);
      const now = rerouteRun(byHand(tower, connection, { waypoints }), laid, connection);
      const route = now.routes.find((r) => r.connection === connection);
      const isMissing = now.missing.some((m) => m.connection === connection);
      if (!route) {
        expect(isMissing).toBe(true);
        continue;
      }
      for (const via of waypoints) expect(offPlace(route, via)).toBeLessThan(0.7);
      const runs = routedRuns(system, now),
        name = runs.find((r) => r.id === connection)?.name ?? connection;
      const own = check(system, runs).filter((t) => t.startsWith(name));
      if (isMissing) {
        blocked += 1;
        if ((route.reported?.nearest?.gap_mm ?? Infinity) < 1 || own.length > 0) met += 1;
      } else {
        free += 1;
        if (waypoints.some((via) => via.every((v) => v !== null))) slid += 1;
        expect(own).toEqual([]);
      }
    }
    expect(free).toBeGreaterThan(5);
    expect(slid).toBeGreaterThan(0);
    expect(blocked).toBeGreaterThan(5);
    // The router also keeps clear of what is no body: a hand's room, a wall it must not come near.
    expect(met / blocked).toBeGreaterThan(0.9);
  });

  test('a second plane of the same leg takes the place of the first; planes stand in the order they are passed', () => {
    const corners: readonly Vec[] = [
      [0, 0, 0],
      [100, 0, 0],
      [100, 200, 0],
      [300, 200, 0],
    ];
    const once = withLegAt([], corners, 1, 0, 120);
    expect(once).toEqual([[120, null, null]]);
    const moved: readonly Vec[] = [
      [0, 0, 0],
      [120, 0, 0],
      [120, 200, 0],
      [300, 200, 0],
    ];
    expect(withLegAt(once, moved, 1, 0, 140)).toEqual([[140, null, null]]);
    expect(withLegAt(once, moved, 0, 1, 30)).toEqual([
      [null, 30, null],
      [120, null, null],
    ]);
    expect(withLegAt(once, moved, 2, 1, 230)).toEqual([
      [120, null, null],
      [null, 230, null],
    ]);
  });

  test('a corner takes both its legs along, a whole route all between its end legs; ends stay', () => {
    // Up, across, towards the glass, across again: the legs 1, 2 and 3 are between the ends.
    const corners: readonly Vec[] = [
      [0, 0, 0],
      [0, 100, 0],
      [200, 100, 0],
      [200, 100, 80],
      [400, 100, 80],
      [400, 0, 80],
    ];
    expect(withMoved([], corners, { leg: 2 }, [15, 0, 0])).toEqual([[215, null, null]]);
    // Along the leg itself nothing moves.
    expect(withMoved([], corners, { leg: 1 }, [15, 0, 0])).toEqual([]);
    expect(withMoved([], corners, { corner: 2 }, [15, 0, 5])).toEqual([
      [null, null, 5],
      [215, null, null],
    ]);
    // The first corner has an end leg beside it, which stays in its port's line.
    expect(withMoved([], corners, { corner: 1 }, [15, 7, 0])).toEqual([[null, 107, null]]);
    const planes = withMoved([], corners, 'route', [0, 20, 0]);
    expect(planes).toEqual([
      [null, 120, null],
      [null, 120, null],
      [null, 120, null],
    ]);
    // Moved again, the planes before give way.
    const up = corners.map((c, i): Vec => (i > 0 && i < 5 ? [c[0], c[1] + 20, c[2]] : c));
    expect(withMoved(planes, up, 'route', [0, 5, 0]).at(-1)).toEqual([null, 125, null]);
    expect(withMoved([[null, 300, 150]], corners, 'route', [0, 0, 0])).toEqual([[null, 300, 150]]);
    // Two legs are both end legs: nothing of it can be moved as a whole.
    expect(withMoved([], corners.slice(0, 3), 'route', [9, 9, 9])).toEqual([]);
  });

  test('a route moved as a whole lies so much farther, and the checker finds it sound', () => {
    const inner = middle.corners.slice(1, -1);
    const by: Vec = [20, 0, 0];
    const design = byHand(tower, 'run-7', {
        waypoints: withMoved([], middle.corners, 'route', by),
      }),
      found = routed(design);
    const upright = inner.filter((c, i) => i > 0 && c[0] === inner[i - 1]?.[0]);
    expect(upright.length).toBeGreaterThan(0);
    for (const c of upright) expect(liesAt(routeOf(found, 'run-7'), 0, c[0] + 20)).toBe(true);
    expect(whole(design)).toEqual([]);
  });

  test('a place in space is passed', () => {
    const p: Vec = [400, 300, 215],
      design = byHand(desk, 'run-5', { waypoints: [[null, 300, 150]] }),
      r = routeOf(routed(design), 'run-5');
    expect(
      r.corners.slice(1).some((b, i) => {
        const a = r.corners[i] as Vec;
        return ([0, 1, 2] as const).every((k) =>
          k === 0
            ? true
            : Math.min(a[k], b[k]) - 0.7 <= [p[0], 300, 150][k]! &&
              [p[0], 300, 150][k]! <= Math.max(a[k], b[k]) + 0.7,
        );
      }),
    ).toBe(true);
    expect(whole(design)).toEqual([]);
  });

  test('it leaves and arrives as it is told, where its fittings can', () => {
    const design = byHand(tower, 'run-2', { exit: [0, 0, 1] }),
      r = routeOf(routed(design), 'run-2');
    expect(r.from.direction).toEqual([0, 0, 1]);
  });

  test('pinned, it lies just so, and the rest finds its ways round it', () => {
    const design = applyEdit(tower, { do: 'route.pin', connection: 'run-10', pinned: true }).design,
      moved = byHand(design, 'run-7', {
        waypoints: withLegAt([], middle.corners, 1, 0, Math.round(leg[0]) + 20),
      }),
      found = routed(moved);
    expect(routeOf(found, 'run-10').corners).toEqual(routeOf(laid, 'run-10').corners);
    expect(found.unpinned).toEqual([]);
    expect(whole(moved)).toEqual([]);
  });

  test('behind the tray by its openings, and nowhere through the sheet', () => {
    const valve = catalogued('inline', 'inl-valve');
    const stands = (id: string, y: number): Component => ({
      id,
      name: id,
      part: valve,
      placement: { on: 'free', at: [180, y, 100], turn: 0 },
      settings: {},
    });
    const [loop] = tower.loops as readonly [Design['loops'][number]];
    const run: Connection = {
      id: 'run',
      from: { component: 'low', port: 'out' },
      to: { component: 'high', port: 'out' },
      by: 'tube',
      ends: { from: 'auto', to: 'auto' },
      constraints: { waypoints: [[null, null, -13]] },
    };
    const design: Design = {
      ...tower,
      components: [stands('low', 260), stands('high', 400)],
      loops: [{ ...loop, connections: [run], caps: [] }],
      layout: EMPTY_LAYOUT,
    };
    const r = routeOf(routed(design), 'run'),
      c = tower.case as NonNullable<Design['case']>;
    expect(liesAt(r, 2, -13)).toBe(true);
    // Where it goes through z = 0 it is inside an opening, with the tube's radius to spare.
    const through = r.corners.slice(1).flatMap((b, i) => {
      const a = r.corners[i] as Vec;
      return a[2] > 0 !== b[2] > 0 ? [a] : [];
    });
    expect(through.length).toBe(2);
    for (const p of through)
      expect(
        (c.grommets ?? []).some(
          (g) =>
            Math.abs(p[0] - g.at[0]) + 8 <= g.width_mm / 2 &&
            Math.abs(p[1] - g.at[1]) + 8 <= g.height_mm / 2,
        ),
      ).toBe(true);
  });

  test('aslant it is shorter, with bends of 45° that keep their radius and straights', () => {
    // The same tower where only right angles can be bent.
    const square = tower.loops.reduce<Design>(
      (d, { id }) =>
        applyEdit(d, { do: 'loop.mandrels', loop: id, mandrels: { angles_deg: [90] } }).design,
      tower,
    );
    const straight = ['run-3', 'run-7', 'run-8', 'run-6', 'run-10', 'run-11'].flatMap((link) => {
      const design = byHand(tower, link, { allow45: true }),
        r = routeOf(rerouteRun(design, laid, link), link),
        was = routeOf(rerouteRun(square, laid, link), link);
      return [{ design, r, was }];
    });
    const changed = straight.filter(({ r }) =>
      r.path.some((s) => s.kind === 'arc' && Math.abs(s.angle_deg - 45) < 1e-6),
    );
    expect(changed.length).toBeGreaterThan(0);
    const length = (r: Route): number =>
      r.corners.slice(1).reduce((s, b, i) => s + distance(b, r.corners[i] as Vec), 0);
    // A diagonal run is shorter, or has fewer bends, or crosses fewer others; some are plainly shorter.
    const shorter = changed.filter(({ r, was }) => length(r) < length(was) - 1);
    expect(shorter.length).toBeGreaterThan(0);
    const [one] = shorter as [(typeof changed)[number]];
    const others = laid.routes.filter((r) => r.connection !== one.r.connection);
    const system = compileSystem(one.design);
    const runs = routedRuns(system, { ...laid, routes: [...others, one.r] });
    expect(check(system, runs)).toEqual([]);
  });
});
