import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_BUILDS, demoDesign } from '@/catalogue';
import {
  applyEdit,
  EMPTY_LAYOUT,
  withoutRoutes,
  type Design,
  type Edit,
  findComponent,
} from '../design';
import { analyse } from '../analysis';
import { validateDesign } from '../validation';
import { compileSystem } from '../system';
import { check } from './checker.fixture';
import {
  improvement,
  layoutEdit,
  rerouteEdit,
  routeDesign,
  routedRuns,
  routesOf,
  staleRuns,
  withRoutes,
} from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const edited = (design: Design, ...edits: readonly (Edit | null)[]): Design =>
  edits.reduce((b, e) => (e ? applyEdit(b, e).design : b), design);
const slid = (design: Design, by: number): Edit => ({
  do: 'component.place',
  component: 'top-radiator',
  placement: {
    ...(findComponent(design, 'top-radiator') as Design['components'][number]).placement,
    slide_mm: by,
  } as never,
});
const estimated = (design: Design): string[] =>
  analyse(design)
    .reports.runs.filter((r) => r.by === 'tube' && r.estimated)
    .map((r) => r.id);

describe('the layouts the demos ship with', () => {
  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: what the router finds today (npm run layouts writes them)',
    (_, design) => {
      const { layout } = withRoutes({ ...design, layout: EMPTY_LAYOUT });
      expect(JSON.parse(JSON.stringify(layout))).toEqual(design.layout);
    },
    60_000,
  );
});

describe('routes in the document', () => {
  test('are all that figures come from: without them every run of tube is an estimate, and says so', () => {
    expect(estimated(desk)).toEqual([]);
    const bare = analyse(withoutRoutes(desk));
    expect(bare.reports.runs.every((r) => r.by === 'direct' || r.estimated)).toBe(true);
    expect(bare.findings.some((f) => f.code === 'run.unrouted')).toBe(true);
    expect(bare.stages.runs).toMatchObject({
      verdict: 'unchecked',
      result: expect.stringContaining('5 not routed'),
    });
  });

  test('written and read again, they are the same to the last corner, told things included', () => {
    const { frames, routed } = routeDesign({ ...tower, layout: EMPTY_LAYOUT });
    const design = edited(
      { ...tower, layout: EMPTY_LAYOUT },
      layoutEdit({ ...tower, layout: EMPTY_LAYOUT }, { frames, routed }),
    );
    const back = routesOf(compileSystem(design));
    for (const [i, route] of routed.routes.entries()) {
      const { cost: _cost, preference: _taste, ...rest } = route;
      expect(back.routes[i]).toMatchObject(rest);
    }
  });

  test('a route whose port has moved is no longer valid; the others stay', () => {
    const moved = edited(tower, slid(tower, 5));
    const touching = tower.loops
      .flatMap((l) => l.connections)
      .filter((l) => l.by === 'tube' && [l.from.component, l.to.component].includes('top-radiator'))
      .map((l) => l.id);
    expect(touching.length).toBeGreaterThan(0);
    expect(estimated(moved).sort()).toEqual([...touching].sort());
    expect(moved.layout.routes).toEqual(tower.layout.routes);
  });

  test('what was set by hand, other end fittings and other tube want routing again; a name and a speed do not', () => {
    expect(
      estimated(
        edited(desk, {
          do: 'connection.way',
          loop: 'loop',
          connection: 'run-2',
          constraints: { exit: [0, 1, 0] },
        }),
      ),
    ).toEqual(['run-2']);
    expect(
      estimated(
        edited(desk, {
          do: 'connection.ends',
          loop: 'loop',
          connection: 'run-3',
          ends: { from: 'extender', to: 'auto' },
        }),
      ),
    ).toEqual(['run-3']);
    const [loop] = desk.loops;
    expect(
      estimated(
        edited(desk, {
          do: 'loop.tube',
          loop: 'loop',
          tube: (loop as NonNullable<typeof loop>).tube,
          fitting: (loop as NonNullable<typeof loop>).fitting,
        }),
      ).length,
    ).toBe(5);
    expect(
      estimated(
        edited(desk, { do: 'design.rename', name: 'Else' }, { do: 'fans.speed', speed_rpm: 900 }),
      ),
    ).toEqual([]);
  });

  test('a run or an inline part that goes takes its route or place along, and undo brings them back', () => {
    const connections = (desk.loops[0]?.connections ?? []).map((l) =>
      l.id === 'run-2' ? { ...l, by: 'direct' as const } : l,
    );
    const done = applyEdit(desk, { do: 'loop.connections', loop: 'loop', connections });
    expect(done.design.layout.routes['run-2']).toBeUndefined();
    expect(applyEdit(done.design, done.inverse).design).toEqual(desk);
    const [inline] = Object.keys(tower.layout.poses);
    const gone = applyEdit(tower, { do: 'component.remove', component: inline as string });
    expect(gone.design.layout.poses[inline as string]).toBeUndefined();
    expect(applyEdit(gone.design, gone.inverse).design).toEqual(tower);
  });
});

describe('warm start', () => {
  test('a slide routes what touches it and nothing else; every route is clear by the independent checker', () => {
    const moved = edited(tower, slid(tower, 5));
    const stale = new Set(staleRuns(compileSystem(moved)));
    const next = edited(moved, rerouteEdit(moved));
    expect(estimated(next)).toEqual([]);
    for (const [id, route] of Object.entries(tower.layout.routes))
      if (!stale.has(id)) expect(next.layout.routes[id]).toEqual(route);
    const system = compileSystem(next);
    expect(check(system, routedRuns(system, routesOf(system)))).toEqual([]);
  });

  test('removing a run makes no other longer', () => {
    for (const { id } of tower.loops[0]?.connections.filter((l) => l.by === 'tube').slice(0, 4) ??
      []) {
      const without = edited(tower, { do: 'connection.remove', loop: 'loop', connection: id });
      const next = edited(without, rerouteEdit(without));
      const length = (b: Design): Map<string, number> =>
        new Map(analyse(b).reports.runs.map((r) => [r.id, r.cut_mm]));
      const before = length(tower);
      for (const [run, cut_mm] of length(next))
        expect(cut_mm).toBeLessThanOrEqual((before.get(run) ?? 0) + 1e-9);
    }
  });

  test('something put into the way of a route makes it stale, and it is routed round', () => {
    const route = routesOf(compileSystem(desk)).routes.find((r) => r.connection === 'run-4');
    const [a, b] = (route?.corners ?? []).slice(0, 2) as unknown as [
      readonly number[],
      readonly number[],
    ];
    const middle = [0, 1, 2].map((i) => ((a[i] as number) + (b[i] as number)) / 2) as [
      number,
      number,
      number,
    ];
    const box = desk.case as NonNullable<Design['case']>;
    const bar = {
      id: 'bar',
      name: 'Bar',
      removable: false,
      min: middle.map((v) => v - 3) as never,
      max: middle.map((v) => v + 3) as never,
    };
    const pierced = edited(desk, {
      do: 'case.choose',
      case: { ...box, obstacles: [...box.obstacles, bar] },
    });
    expect(staleRuns(compileSystem(pierced))).toContain('run-4');
    expect(analyse(pierced).findings.map((f) => f.code)).toContain('run.clash');
    const next = edited(pierced, rerouteEdit(pierced));
    expect(analyse(next).findings.map((f) => f.code)).not.toContain('run.clash');
  });

  test('nothing stale, no edit; a pinned run is left to the builder', () => {
    expect(rerouteEdit(tower)).toBeNull();
    const pinned = edited(
      tower,
      { do: 'route.pin', connection: 'run-2', pinned: true },
      slid(tower, 5),
    );
    const next = edited(pinned, rerouteEdit(pinned));
    expect(next.layout.routes['run-2']?.pinned).toBe(true);
    expect(next.layout.routes['run-2']?.corners).toEqual(tower.layout.routes['run-2']?.corners);
  });

  test('stopped half way, what is not routed stays an estimate', () => {
    const bare = withoutRoutes(tower);
    let reported = 0;
    const next = edited(
      bare,
      rerouteEdit(bare, () => (reported += 1) < 4),
    );
    expect(Object.keys(next.layout.routes).length).toBeGreaterThan(0);
    expect(estimated(next).length).toBeGreaterThan(0);
  });

  test('routing all afresh is offered where it gains, with its edit', () => {
    expect(improvement(tower)).toBeNull();
    const worse = edited(tower, {
      do: 'connection.way',
      loop: 'loop',
      connection: 'run-3',
      constraints: { waypoints: [[null, 60, null]] },
    });
    const detour = edited(worse, rerouteEdit(worse), {
      do: 'connection.way',
      loop: 'loop',
      connection: 'run-3',
      constraints: null,
    });
    const kept = edited(detour, {
      do: 'layout.set',
      routes: { 'run-3': edited(worse, rerouteEdit(worse)).layout.routes['run-3'] ?? null },
    });
    const found = improvement(kept);
    expect(found?.saves_mm ?? 0).toBeGreaterThan(0);
    const next = edited(kept, found?.edit ?? null);
    const length = (b: Design): number => analyse(b).reports.runs.reduce((s, r) => s + r.cut_mm, 0);
    expect(length(kept) - length(next)).toBeCloseTo(found?.saves_mm ?? NaN, 6);
  });

  test('whatever is slid, replaced or removed: routes hold or are told, the document passes the guard, undo is exact', () => {
    const step = fc.record({ kind: fc.nat(4), n: fc.nat(40) });
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 3 }), (steps) => {
        let design = tower;
        const back: Edit[] = [];
        const apply = (edit: Edit | null): void => {
          if (!edit) return;
          const done = applyEdit(design, edit);
          design = done.design;
          back.unshift(done.inverse);
        };
        for (const { kind, n } of steps) {
          const links = design.loops.flatMap((l) =>
            l.connections
              .filter((k) => k.by === 'tube')
              .map((k) => ({ loop: l.id, connection: k.id })),
          );
          const at = links[n % Math.max(1, links.length)];
          if (kind === 0) apply(slid(design, n));
          else if (kind === 1 && at) apply({ do: 'connection.remove', ...at });
          else if (kind === 2 && at)
            apply({ do: 'connection.way', ...at, constraints: { exit: [0, 1, 0] } });
          else if (kind === 3) apply({ do: 'fans.speed', speed_rpm: 500 + n });
          else apply({ do: 'brief.limit', values: { clear_mm: n % 8 } });
          apply(rerouteEdit(design));
        }
        const system = compileSystem(design);
        const routed = routesOf(system);
        expect(check(system, routedRuns(system, routed))).toEqual([]);
        expect(routed.routes.length + routed.missing.length).toBe(
          design.loops.flatMap((l) => l.connections).filter((l) => l.by === 'tube').length,
        );
        expect(validateDesign(JSON.parse(JSON.stringify(design)))).toMatchObject({ ok: true });
        expect(back.reduce((b, e) => applyEdit(b, e).design, design)).toEqual(tower);
      }),
      { numRuns: 12, seed: 9 },
    );
  }, 180_000);
});
