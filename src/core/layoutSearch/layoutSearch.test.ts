import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { EMPTY_BOX } from '@/catalogue/emptyBox.fixture';
import {
  applyEdit,
  EMPTY_LAYOUT,
  emptyDesign,
  type Component,
  type Connection,
  type Design,
  type Placement,
} from '../design';
import { compileSystem, roomOf } from '../system';
import { ordersByEstimate } from '../loops';
import { routesOf, withRoutes } from '../routing';
import { validateDesign } from '../validation';
import {
  ANYWHERE_MM,
  ChoiceSearch,
  costOfChoice,
  freedomOf,
  homeOf,
  improvedLayout,
  isNearHome,
  keepHome,
  leastJoint,
  openingsFor,
  otherOrders,
  settled,
  variablesOf,
  type Factor,
  type ImprovedLayout,
} from '.';

/** All joint values, one after the other. */
function* joints(sizes: readonly number[]): Generator<number[]> {
  const total = sizes.reduce((n, s) => n * s, 1);
  for (let at = 0; at < total; at += 1) {
    let rest = at;
    yield sizes.map((s) => {
      const v = rest % s;
      rest = Math.floor(rest / s);
      return v;
    });
  }
}

describe('the least joint value of tables', () => {
  /** Against trying every joint value. */
  test('is that of trying them all, on rings, stars and whatever else', () => {
    const sizes = fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 2, maxLength: 5 });
    fc.assert(
      fc.property(
        sizes,
        fc.array(fc.tuple(fc.nat(), fc.nat(), fc.nat()), { minLength: 1, maxLength: 6 }),
        (of, pairs) => {
          const factors = pairs.flatMap(([a, b, seed]): Factor[] => {
            const [i, k] = [a % of.length, b % of.length];
            const [low, high] = i < k ? [i, k] : [k, i];
            const vars = low === high ? [low] : [low, high];
            const entries = vars.reduce((n, v) => n * (of[v] as number), 1);
            const costs = Float64Array.from(
              { length: entries },
              (_, n) => ((n + 1) * (seed + 17) * 7919) % 1009,
            );
            return [{ of: vars, costs }];
          });
          const costOf = (values: readonly number[]): number =>
            factors.reduce((sum, f) => {
              const at = f.of.reduce((n, v) => n * (of[v] as number) + (values[v] as number), 0);
              return sum + (f.costs[at] as number);
            }, 0);
          const found = leastJoint(of, factors);
          const least = Math.min(...[...joints(of)].map(costOf));
          expect(found?.cost).toBeCloseTo(least, 9);
          expect(costOf(found?.values ?? [])).toBeCloseTo(least, 9);
        },
      ),
      { numRuns: 150, seed: 3 },
    );
  });

  test('a table beyond memory is not made', () => {
    const sizes = Array.from({ length: 9 }, () => 12);
    const pairs = sizes.flatMap((_, i) =>
      sizes.slice(i + 1).map((__, k): Factor => ({
        of: [i, i + 1 + k],
        costs: new Float64Array(144),
      })),
    );
    expect(leastJoint(sizes, pairs)).toBeNull();
  });
});

const part = (id: string, of: Component['part'], placement: Placement): Component => ({
  id,
  name: id,
  part: of,
  placement,
  settings: {},
});
const run = (id: string, from: string, to: string): Connection => {
  const ref = (path: string) => {
    const [component = '', port = ''] = path.split('/');
    return { component, port };
  };
  return {
    id,
    from: ref(from),
    to: ref(to),
    by: 'tube',
    ends: { from: 'auto', to: 'auto' },
  };
};
const hard = {
  tube: catalogued('tube', 'tube-petg-14-10'),
  fitting: catalogued('fitting', 'fit-hard-14'),
  coolant: catalogued('coolant', 'cool-clear-premix'),
};
const built = (components: readonly Component[], connections: readonly Connection[]): Design => ({
  ...emptyDesign('Drawn', STANDARD_KIT),
  case: EMPTY_BOX,
  components,
  loops: [{ id: 'loop', name: 'Loop', ...hard, coolantAge_months: 0, connections, caps: [] }],
});
const valve = catalogued('inline', 'inl-valve'),
  reservoir = catalogued('reservoir', 'res-osier-100'),
  pump = catalogued('pump', 'pump-brook-small');
const free = (at: readonly [number, number, number], turn: 0 | 90 | 180 | 270 = 0): Placement => ({
  on: 'free',
  at,
  turn,
});

/**
 * Seen from the window (x to the right, y up, one layer z = 200):
 *
 *     y 300   [A]→        the valve B has its port away from A:
 *     y 300        ←[B]   turned round, one straight tube does.
 */
const facingAway = built(
  [part('a', valve, free([120, 300, 200])), part('b', valve, free([420, 300, 200]))],
  [run('run', 'a/out', 'b/out')],
);

describe('ports, turns and places together', () => {
  test('a part that looks away is turned, or its other port taken: one straight tube', () => {
    const before = withRoutes(facingAway);
    const found = improvedLayout(before);
    expect(found).not.toBeNull();
    const laid = found ? applyEdit(before, found.edit).design : before;
    const [route] = routesOf(compileSystem(laid)).routes;
    expect(route?.path.filter((s) => s.kind === 'arc')).toEqual([]);
    expect(found?.after.bends).toBe(0);
    expect(found?.before.bends).toBeGreaterThan(0);
    // Straight, and nothing may come nearer: nothing better is told.
    const stay = laid.components.map((c) => ({
      ...c,
      settings: { mayMove: { turn: true, slide_mm: 0 } },
    }));
    expect(improvedLayout({ ...laid, components: stay })).toBeNull();
  });

  test('each better layout is heard as it is proven, the last is the answer', () => {
    const heard: ImprovedLayout[] = [];
    const before = { ...withRoutes(facingAway), layout: EMPTY_LAYOUT };
    const found = improvedLayout(
      before,
      () => true,
      (better) => heard.push(better),
    );
    // As it stands first, bent round; then straight.
    expect(heard.length).toBeGreaterThan(1);
    expect(heard.map((l) => l.after.missing)).toEqual(heard.map(() => 0));
    expect(heard[0]?.after.bends).toBeGreaterThan(0);
    expect(heard.at(-1)?.after.bends).toBe(0);
    expect(heard.at(-1)).toEqual(found);
  });

  /**
   * Seen from the window, and B nearer to the back than A by `deep`: only a slide along both axes at
   * once lets one straight tube join them.
   *
   *     y 300        [A]→
   *     y 300 + up        →[B]
   */
  const aside = (up: number, deep: number, slide_mm: number): Design => {
    const may = (mayMove: { turn: boolean; slide_mm: number }, p: Component): Component => ({
      ...p,
      settings: { mayMove },
    });
    return withRoutes(
      built(
        [
          may({ turn: false, slide_mm: 0 }, part('a', valve, free([120, 300, 200]))),
          may({ turn: false, slide_mm }, part('b', valve, free([420, 300 + up, 200 - deep]))),
        ],
        [run('run', 'a/out', 'b/in')],
      ),
    );
  };
  const bestOf = (design: Design) => {
    const found = improvedLayout(design);
    const laid = found ? applyEdit(design, found.edit).design : design;
    return { bends: found?.after.bends, at: homeOf(laid.components[1] as Component) };
  };

  test('a part slides along several axes at once, as far as it may; one that is free, anywhere', () => {
    const near = bestOf(aside(18, 15, 40));
    expect(near.bends).toBe(0);
    expect(near.at?.slice(1)).toEqual([300, 200]);
    expect(bestOf(aside(18, 15, 17)).bends).not.toBe(0);
    const far = bestOf(aside(-170, 90, ANYWHERE_MM));
    expect(far.bends).toBe(0);
    expect(far.at?.slice(1)).toEqual([300, 200]);
    expect(bestOf(aside(-170, 90, 40)).bends).not.toBe(0);
  });

  test('a part that may stand anywhere stays in its room', () => {
    // So near the wall that an even step would put it beyond.
    const design = aside(0, 150, ANYWHERE_MM);
    const system = compileSystem(design);
    const [, free] = variablesOf(system, 'slides');
    const poses = free?.states.flatMap((s) => s.pose ?? []) ?? [];
    expect(poses.length).toBeGreaterThan(3);
    for (const pose of poses)
      expect(roomOf(compileSystem(applyEdit(design, pose).design), 'b')).toBe('inside');
  });

  test('nothing that is to stay moves', () => {
    const still = facingAway.components.map((c) => ({
      ...c,
      settings: { mayMove: { turn: false, slide_mm: 0 } },
    }));
    const fixed = { ...facingAway, components: still };
    const found = improvedLayout(fixed);
    const laid = found ? applyEdit(fixed, found.edit).design : fixed;
    expect(laid.components.map((c) => c.placement)).toEqual(still.map((c) => c.placement));
  });

  /** Each choice of states tried one by one. */
  test('the choice is the least of all choices, up to five runs', () => {
    const chain = built(
      [
        part('r', reservoir, free([420, 250, 120])),
        part('p', pump, free([420, 60, 120])),
        part('a', valve, free([140, 120, 200], 90)),
        part('b', valve, free([160, 330, 220])),
      ],
      [
        run('run-1', 'r/low', 'p/in'),
        run('run-2', 'p/out', 'a/in'),
        run('run-3', 'a/out', 'b/in'),
        run('run-4', 'b/out', 'r/return'),
      ],
    );
    const system = compileSystem(chain);
    const variables = variablesOf(system, 'ports').map((v) => ({
      ...v,
      states: v.states.slice(0, 4),
    }));
    const choice = new ChoiceSearch(system, variables).least();
    expect(choice.proven).toBe(true);
    const all = [...joints(variables.map((v) => v.states.length))];
    expect(all.length).toBeGreaterThan(30);
    const least = Math.min(...all.map((states) => costOfChoice(system, variables, states)));
    expect(choice.cost).toBeCloseTo(least, 6);
  }, 60_000);

  test('of what may move where nothing is said, and where something is', () => {
    const tower = demoDesign('fenland-flood-tower') as Design;
    const of = (id: string) => freedomOf(tower.components.find((c) => c.id === id) as Component);
    expect(of('front-radiator')).toEqual({ turn: true, slide_mm: 40 });
    expect(of('pump-1')).toEqual({ turn: true, slide_mm: 0 });
    expect(of('card-block-a')).toEqual({ turn: false, slide_mm: 0 });
    expect(
      freedomOf({
        ...part('x', pump, free([1, 1, 1])),
        settings: { mayMove: { turn: false, slide_mm: 7 } },
      }),
    ).toEqual({ turn: false, slide_mm: 7 });
  });
});

describe('the order of a loop', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;
  const stationsOf = (design: Design): readonly string[] =>
    compileSystem(design).loops[0]?.stations ?? [];
  /** The order that is the worst by estimate, routed. */
  const worst = withRoutes(ordersByEstimate(desk, 'loop').ranked.at(-1)?.design ?? desk);
  const free = (design: Design, freeOrder: boolean): Design =>
    applyEdit(design, {
      do: 'loop.routing',
      loop: 'loop',
      routing: { style: 'shortest', ...(freeOrder ? { freeOrder } : {}) },
    }).design;

  test('where it is free, a better one is found, with its ports, and nothing of the loop is lost', () => {
    const start = withRoutes(free(worst, true));
    const found = improvedLayout(start);
    expect(found?.orders.map((o) => o.loop)).toEqual(['loop']);
    const laid = applyEdit(start, found?.edit ?? { do: 'batch', edits: [] }).design;
    expect(stationsOf(laid)).toEqual(found?.orders[0]?.order);
    expect(stationsOf(laid)).not.toEqual(stationsOf(start));
    // Reservoir and pump stay where the loop begins, and every part stays in it.
    expect(stationsOf(laid).slice(0, 2)).toEqual(['reservoir', 'pump']);
    expect([...stationsOf(laid)].sort()).toEqual([...stationsOf(start)].sort());
    expect(found?.after.missing).toBe(0);
    expect(found?.after.tube_mm).toBeLessThan(found?.before.tube_mm ?? 0);
    expect(validateDesign(laid).ok).toBe(true);
    expect(otherOrders(free(worst, false))).toEqual([]);
  }, 120_000);

  test('made free, the routes stay as they are; in another style they are found anew', () => {
    const start = free(worst, false),
      routed = withRoutes(start);
    expect(free(routed, true).layout.routes).toEqual(routed.layout.routes);
    const other = applyEdit(routed, {
      do: 'loop.routing',
      loop: 'loop',
      routing: { style: 'free', freeOrder: true },
    }).design;
    expect(Object.keys(other.layout.routes)).toEqual([]);
  });

  test('with a run set by hand it stays', () => {
    const start = free(worst, true);
    const [first] = start.loops[0]?.connections ?? [];
    const set = applyEdit(start, {
      do: 'connection.way',
      loop: 'loop',
      connection: first?.id ?? '',
      constraints: { waypoints: [[null, 200, null]] },
    }).design;
    expect(otherOrders(start).length).toBeGreaterThan(0);
    expect(otherOrders(set)).toEqual([]);
    const elbow = applyEdit(start, {
      do: 'connection.ends',
      loop: 'loop',
      connection: first?.id ?? '',
      ends: { from: 'rotary90', to: 'auto' },
    }).design;
    expect(otherOrders(elbow)).toEqual([]);
  });
});

describe('slides are counted from where the builder put a part', () => {
  const tower = demoDesign('fenland-flood-tower') as Design;
  const radiator = tower.components.find((c) => c.id === 'front-radiator') as Component;

  test('a home is kept when a search first moves it, and stays the same after', () => {
    const home = homeOf(radiator);
    expect(home?.[1]).toBe(0);
    const kept = keepHome(radiator);
    const moved = applyEdit(tower, kept as NonNullable<typeof kept>).design;
    const now = moved.components.find((c) => c.id === radiator.id) as Component;
    expect(freedomOf(now)).toEqual({ turn: true, slide_mm: 40, home });
    const elsewhere = {
      ...now,
      placement: { ...now.placement, slide_mm: (home?.[0] ?? 0) + 33 } as Placement,
    };
    expect(keepHome(elsewhere)).toEqual(kept);
  });

  test('within so far of home, along every axis, and no farther', () => {
    const at = (x: number, y: number): Placement => free([x, y, 100]);
    expect(isNearHome(at(140, 100), [100, 100, 100], 40)).toBe(true);
    expect(isNearHome(at(141, 100), [100, 100, 100], 40)).toBe(false);
    expect(isNearHome(at(100, 59), [100, 100, 100], 40)).toBe(false);
    // What does not slide has no home.
    expect(homeOf({ placement: { on: 'tray' } })).toBeNull();
    expect(isNearHome({ on: 'tray' }, [0, 0, 0], 0)).toBe(true);
  });

  test('put anywhere by hand it is at home there', () => {
    const kept = keepHome(radiator) as NonNullable<ReturnType<typeof keepHome>>;
    const moved = applyEdit(tower, kept).design;
    const put = applyEdit(moved, {
      do: 'component.place',
      component: radiator.id,
      placement: { ...radiator.placement, slide_mm: 5 } as Placement,
    }).design;
    const now = put.components.find((c) => c.id === radiator.id) as Component;
    expect(now.settings.mayMove).toEqual({ turn: true, slide_mm: 40 });
  });

  test('another case is another home', () => {
    const kept = keepHome(radiator) as NonNullable<ReturnType<typeof keepHome>>;
    const moved = applyEdit(tower, kept).design;
    const now = applyEdit(moved, { do: 'case.choose', case: catalogued('case', 'case-alder-42') });
    for (const c of now.design.components) expect(c.settings.mayMove?.home).toBeUndefined();
  });

  test('asked for again and again, nothing slides farther than it may in all', () => {
    let design = built(
      [
        part('a', valve, free([120, 300, 200])),
        part('b', valve, free([420, 220, 260], 180)),
        part('c', reservoir, free([300, 120, 120])),
      ],
      [run('run-1', 'a/out', 'b/in'), run('run-2', 'b/out', 'c/return')],
    );
    const homes = new Map(design.components.map((c) => [c.id, homeOf(c)]));
    for (let i = 0; i < 3; i += 1) {
      const found = improvedLayout(design);
      if (!found) break;
      design = applyEdit(design, found.edit).design;
    }
    for (const c of design.components)
      expect(isNearHome(c.placement, homes.get(c.id) ?? null, 40)).toBe(true);
    expect(validateDesign(design).ok).toBe(true);
  }, 60_000);
});

describe('what opens a way', () => {
  /** The valve B has its port against the front wall: no fitting goes in, no tube comes out. */
  const shut = withRoutes(
    built(
      [
        part('a', valve, free([120, 300, 200])),
        part('b', valve, free([600 - valve.size[0] / 2 - 2, 100, 200])),
      ],
      [run('run', 'a/out', 'b/out')],
    ),
  );

  test('is tried: the run then has its route', () => {
    expect(routesOf(compileSystem(shut)).routes).toEqual([]);
    const openings = openingsFor(shut, 'run', CATALOGUE);
    expect(openings.length).toBeGreaterThan(0);
    for (const { edit, label } of openings) {
      const opened = applyEdit(shut, edit).design;
      expect(routesOf(compileSystem(opened)).routes.map((r) => r.connection)).toContain('run');
      expect(label).toMatch(/a route of \d+ mm$/);
    }
  }, 60_000);

  test('a thinner tube with its own fitting, where the one there is bends too wide before a wall', () => {
    const fixed = { mayMove: { turn: false, slide_mm: 0 } };
    // 14 mm turns at 25 mm, 12 mm at 22 mm; a fitting and its straight come before.
    const at = 600 - valve.size[0] / 2 - 63;
    const close = withRoutes(
      built(
        [
          { ...part('a', valve, free([at, 300, 200])), settings: fixed },
          { ...part('b', valve, free([at, 100, 200])), settings: fixed },
        ],
        [{ ...run('run', 'a/out', 'b/out'), ends: { from: 'straight', to: 'straight' } }],
      ),
    );
    expect(routesOf(compileSystem(close)).routes).toEqual([]);
    const thinner = openingsFor(close, 'run', CATALOGUE).flatMap(({ edit }) => {
      const opened = applyEdit(close, edit).design;
      const [only] = opened.loops[0]?.connections ?? [];
      return only?.tube ? [{ tube: only.tube, fitting: only.fitting, opened }] : [];
    });
    expect(thinner.map(({ tube, fitting }) => [tube.id, fitting?.id])).toEqual([
      ['tube-petg-12-8', 'fit-hard-12'],
    ]);
    for (const { opened } of thinner)
      expect(routesOf(compileSystem(opened)).routes).toHaveLength(1);
  }, 60_000);

  test('a run that is not there has none', () => {
    expect(openingsFor(shut, 'ghost', CATALOGUE)).toEqual([]);
  });
});

describe('what a layout moves in the end', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;
  const place = (component: string, placement: Placement) =>
    ({ do: 'component.place', component, placement }) as const;
  const over = (turn: 0 | 90): Placement => ({ on: 'spot', spot: 'over', turn });
  const front = (slide_mm: number): Placement => ({
    on: 'mount',
    mount: 'front',
    slide_mm,
    ports: 'end',
    air: 'in',
  });

  test('a part turned and turned back is not moved; one slid twice is placed once', () => {
    const last = place('front-radiator', front(12));
    const net = settled(desk, {
      edits: [
        place('reservoir', over(90)),
        place('front-radiator', front(10)),
        last,
        place('reservoir', over(0)),
      ],
      parts: [
        { component: 'reservoir', turned: true, slid: true, ports: 0 },
        { component: 'front-radiator', turned: false, slid: true, ports: 0 },
      ],
    });
    expect(net.edits).toEqual([last]);
    expect(net.parts.map((p) => p.component)).toEqual(['front-radiator']);
  });

  test('other ports stay told of a part that ends where it was', () => {
    const { parts } = settled(desk, {
      edits: [place('reservoir', over(90)), place('reservoir', over(0))],
      parts: [{ component: 'reservoir', turned: true, slid: false, ports: 2 }],
    });
    expect(parts).toEqual([{ component: 'reservoir', turned: false, slid: false, ports: 2 }]);
  });
});
