import { describe, expect, test } from '@jest/globals';
import { demoBuild } from '@/catalogue';
import { applyEdit, type Build, type LinkWay } from '../design';
import { resolve } from '../system';
import { distance, type Vec } from '../geometry';
import { check } from './checker.fixture';
import {
  rerouteRun,
  routeBuild,
  routedRuns,
  routesOf,
  withFrames,
  withLegAt,
  type Route,
  type Routed,
} from '.';

const tower = demoBuild('fenland-flood-tower') as Build,
  desk = demoBuild('dawn-chorus-desk') as Build;
const laid = routesOf(resolve(tower));
const routeOf = (found: Routed, link: string): Route => {
  const r = found.routes.find((x) => x.link === link);
  if (!r) throw new Error(`no way for ${link}`);
  return r;
};
const byHand = (build: Build, link: string, way: LinkWay): Build =>
  applyEdit(build, {
    do: 'link.way',
    loop: build.loops.find((l) => l.links.some((k) => k.id === link))?.id ?? '',
    link,
    way,
  }).build;
/** Routed from nothing, and what the independent checker says of it. */
const routed = (build: Build): Routed => routeBuild(build).routed;
const whole = (build: Build): readonly string[] => {
  const { frames, routed: found } = routeBuild(build);
  const model = resolve(withFrames(build, { frames }));
  return check(model, routedRuns(model, found));
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

describe('a run set by hand', () => {
  const middle = routeOf(laid, 'run-3'),
    leg = middle.corners[1] as Vec;

  test('a leg drawn into another plane lies there; the others go round it; nothing clashes', () => {
    const to = Math.round(leg[0]) + 20,
      build = byHand(tower, 'run-3', { via: withLegAt([], middle.corners, 1, 0, to) }),
      found = routed(build);
    expect(liesAt(routeOf(found, 'run-3'), 0, to)).toBe(true);
    expect(found.missing).toEqual([]);
    expect(whole(build)).toEqual([]);
  });

  test('in the hand, it alone is laid anew', () => {
    const to = Math.round(leg[0]) + 20,
      now = rerouteRun(
        byHand(tower, 'run-3', { via: withLegAt([], middle.corners, 1, 0, to) }),
        laid,
        'run-3',
      );
    expect(liesAt(routeOf(now, 'run-3'), 0, to)).toBe(true);
    for (const r of laid.routes)
      if (r.link !== 'run-3') expect(routeOf(now, r.link).path).toBe(r.path);
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

  test('a place in space is passed', () => {
    const p: Vec = [400, 300, 215],
      build = byHand(desk, 'run-5', { via: [[null, 300, 150]] }),
      r = routeOf(routed(build), 'run-5');
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
    expect(whole(build)).toEqual([]);
  });

  test('it leaves and arrives as it is told, where its fittings can', () => {
    const build = byHand(tower, 'run-2', { leave: [0, 0, 1] }),
      r = routeOf(routed(build), 'run-2');
    expect(r.from.direction).toEqual([0, 0, 1]);
  });

  test('pinned, it lies just so, and the rest finds its ways round it', () => {
    const build = applyEdit(tower, { do: 'route.pin', link: 'run-14', pinned: true }).build,
      moved = byHand(build, 'run-3', {
        via: withLegAt([], middle.corners, 1, 0, Math.round(leg[0]) + 20),
      }),
      found = routed(moved);
    expect(routeOf(found, 'run-14').corners).toEqual(routeOf(laid, 'run-14').corners);
    expect(found.unpinned).toEqual([]);
    expect(whole(moved)).toEqual([]);
  });

  test('behind the tray by its openings, and nowhere through the sheet', () => {
    const build = byHand(tower, 'run-14', { via: [[null, null, -13]] }),
      found = rerouteRun(build, laid, 'run-14'),
      r = routeOf(found, 'run-14'),
      c = tower.case as NonNullable<Build['case']>;
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
    const straight = ['run-3', 'run-7', 'run-12', 'run-13', 'run-14', 'run-11'].flatMap((link) => {
      const build = byHand(tower, link, { slanted: true }),
        r = routeOf(rerouteRun(build, laid, link), link),
        was = routeOf(rerouteRun(tower, laid, link), link);
      return [{ build, r, was }];
    });
    const changed = straight.filter(({ r }) =>
      r.path.some((s) => s.kind === 'arc' && Math.abs(s.angle_deg - 45) < 1e-6),
    );
    expect(changed.length).toBeGreaterThan(0);
    const length = (r: Route): number =>
      r.corners.slice(1).reduce((s, b, i) => s + distance(b, r.corners[i] as Vec), 0);
    for (const { r, was } of changed) expect(length(r)).toBeLessThan(length(was));
    const [one] = changed as [(typeof changed)[number]];
    const others = laid.routes.filter((r) => r.link !== one.r.link);
    const model = resolve(one.build);
    const runs = routedRuns(model, { ...laid, routes: [...others, one.r] });
    expect(check(model, runs)).toEqual([]);
  });
});
