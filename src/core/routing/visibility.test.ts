import { beforeAll, describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { EMPTY_BOX } from '@/catalogue/emptyBox.fixture';
import {
  applyEdit,
  emptyDesign,
  type Design,
  type Component,
  type Connection,
  type Loop,
  type Placement,
} from '../design';
import { compileSystem } from '../system';
import {
  visibilityOf,
  isShown,
  pathLength,
  routeDesign,
  withFrames,
  type Route,
  type RoutedDesign,
} from '.';
import { check } from './checker.fixture';
import { routedRuns } from './runs';

const reservoir = catalogued('reservoir', 'res-osier-100'),
  meter = catalogued('inline', 'inl-meter-temp');
const tube = catalogued('tube', 'tube-petg-14-10'),
  fitting = catalogued('fitting', 'fit-hard-14'),
  coolant = catalogued('coolant', 'cool-clear-premix');
const component = (
  id: string,
  part: Component['part'],
  at: readonly [number, number, number],
): Component => ({
  id,
  name: id,
  part,
  placement: { on: 'free', at, turn: 0 } as Placement,
  settings: {},
});
const link = (
  id: string,
  from: string,
  fromPort: string,
  to: string,
  toPort: string,
): Connection => ({
  id,
  from: { component: from, port: fromPort },
  to: { component: to, port: toPort },
  by: 'tube',
  ends: { from: 'auto', to: 'auto' },
});
const loop = (id: string, connections: readonly Connection[]): Loop => ({
  id,
  name: id,
  tube,
  fitting,
  coolant,
  coolantAge_months: 0,
  connections,
  caps: [],
});
const built = (components: readonly Component[], loops: readonly Loop[]): Design => ({
  ...emptyDesign('View', STANDARD_KIT),
  case: EMPTY_BOX,
  components,
  loops,
});
const seen = (design: Design, found: RoutedDesign, id: string): ReturnType<typeof visibilityOf> => {
  const system = compileSystem(withFrames(design, found)),
    r = found.routed.routes.find((x) => x.connection === id) as Route,
    own = design.loops.flatMap((l) => l.connections).find((l) => l.id === id) as Connection;
  return visibilityOf(system, r, found.routed.routes, [own.from.component, own.to.component]);
};

describe('what is seen through the glass', () => {
  test('reservoirs and blocks on the board are shown unless it is said otherwise; others when it is said', () => {
    const tower = demoDesign('fenland-flood-tower') as Design,
      shown = (b: Design): string[] => b.components.filter(isShown).map((i) => i.id);
    expect(shown(tower)).toEqual(['processor-block', 'reservoir-1', 'reservoir-2']);
    const edited = [
      { do: 'component.set', component: 'card-a', values: { keepVisible: true } } as const,
      { do: 'component.set', component: 'reservoir-2', values: { keepVisible: false } } as const,
    ].reduce<Design>((b, e) => applyEdit(b, e).design, tower);
    expect(shown(edited)).toEqual(['card-a', 'processor-block', 'reservoir-1']);
  });

  test('of two ways as short a run takes the one that does not pass before what is shown', () => {
    // A step up between two meters may be made anywhere on the way; a reservoir stands behind most
    // of it.
    const meters = [component('a', meter, [100, 250, 300]), component('b', meter, [500, 350, 300])],
      shown = component('shown', reservoir, [250, 300, 120]);
    const design = built([...meters, shown], [loop('loop', [link('run', 'a', 'out', 'b', 'in')])]),
      free = applyEdit(design, {
        do: 'component.set',
        component: 'shown',
        values: { keepVisible: false },
      }).design;
    const aside = routeDesign(design),
      any = routeDesign(free),
      length = (f: RoutedDesign): number => pathLength((f.routed.routes[0] as Route).path);
    expect(seen({ ...free, components: design.components }, any, 'run').before).toEqual(['shown']);
    expect(seen(design, aside, 'run').before).toEqual([]);
    expect(length(aside)).toBeCloseTo(length(any), 6);
    expect(check(compileSystem(design), routedRuns(compileSystem(design), aside.routed))).toEqual(
      [],
    );
  });

  test('but not at any price: four bends more are dearer than a tube before a reservoir', () => {
    const design = built(
        [
          component('a', meter, [100, 250, 300]),
          component('b', meter, [500, 250, 300]),
          component('shown', reservoir, [300, 190, 120]),
        ],
        [loop('loop', [link('run', 'a', 'out', 'b', 'in')])],
      ),
      found = routeDesign(design);
    expect((found.routed.routes[0] as Route).corners.length).toBe(2);
    expect(seen(design, found, 'run').before).toEqual(['shown']);
    expect((found.routed.routes[0] as Route).preference).toBeGreaterThan(0);
  });
});

describe('two loops', () => {
  test('of two ways as short a run takes the one that does not cross the other loop', () => {
    const first = [component('a', meter, [140, 350, 380]), component('b', meter, [380, 350, 380])],
      second = [component('c', meter, [100, 250, 200]), component('d', meter, [540, 430, 200])];
    const one = loop('one', [link('run-1', 'a', 'out', 'b', 'in')]),
      two = loop('two', [link('run-2', 'c', 'out', 'd', 'in')]);
    const both = built([...first, ...second], [one, two]),
      alone = routeDesign(built(second, [two])),
      found = routeDesign(both);
    const [mine] = alone.routed.routes,
      [theirs, laid] = found.routed.routes,
      before: RoutedDesign = {
        ...found,
        routed: { ...found.routed, routes: [theirs as Route, mine as Route] },
      };
    // By itself it would cross; beside the other it steps up elsewhere, and is no longer for it.
    expect(seen(both, before, 'run-2').crosses).toEqual(['run-1']);
    expect(seen(both, found, 'run-2').crosses).toEqual([]);
    expect(pathLength((laid as Route).path)).toBeCloseTo(pathLength((mine as Route).path), 6);
    expect(check(compileSystem(both), routedRuns(compileSystem(both), found.routed))).toEqual([]);
  });
});

describe('the tower with two loops', () => {
  const tower = demoDesign('fenland-flood-tower') as Design;
  let found: RoutedDesign;
  beforeAll(() => {
    found = routeDesign(tower);
  }, 60_000);

  test('crossing is told of both, and of other loops alone', () => {
    for (const r of found.routed.routes)
      for (const other of seen(tower, found, r.connection).crosses) {
        const o = found.routed.routes.find((x) => x.connection === other) as Route;
        expect(o.loop).not.toBe(r.loop);
        expect(seen(tower, found, other).crosses).toContain(r.connection);
      }
  });
});
