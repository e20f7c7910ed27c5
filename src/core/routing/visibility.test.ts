import { beforeAll, describe, expect, test } from '@jest/globals';
import { catalogued, demoBuild, STANDARD_KIT } from '@/catalogue';
import {
  applyEdit,
  emptyBuild,
  type Build,
  type Component,
  type Link,
  type Loop,
  type Placement,
} from '../design';
import { resolve } from '../system';
import type { CasePart } from '../components';
import {
  inView,
  isShown,
  pathLength,
  routeBuild,
  withFrames,
  type Route,
  type RoutedBuild,
} from '.';
import { check } from './checker.fixture';
import { routedRuns } from './runs';

const template = catalogued('case', 'case-barn-96'),
  reservoir = catalogued('reservoir', 'res-osier-100'),
  meter = catalogued('inline', 'inl-meter-temp');
const tube = catalogued('tube', 'tube-petg-14-10'),
  fitting = catalogued('fitting', 'fit-hard-14'),
  coolant = catalogued('coolant', 'cool-clear-premix');
const box: CasePart = {
  ...template,
  interior: [600, 500, 450],
  mounts: [],
  grommets: [],
  spots: [],
  fansIncluded: [],
  obstacles: [],
};
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
const link = (id: string, from: string, fromPort: string, to: string, toPort: string): Link => ({
  id,
  from: { component: from, port: fromPort },
  to: { component: to, port: toPort },
  by: 'tube',
  ends: { from: 'auto', to: 'auto' },
});
const loop = (id: string, links: readonly Link[]): Loop => ({
  id,
  name: id,
  tube,
  fitting,
  coolant,
  coolantAge_months: 0,
  links,
  caps: [],
});
const built = (components: readonly Component[], loops: readonly Loop[]): Build => ({
  ...emptyBuild('View', STANDARD_KIT),
  case: box,
  components,
  loops,
});
const seen = (build: Build, found: RoutedBuild, id: string): ReturnType<typeof inView> => {
  const model = resolve(withFrames(build, found)),
    r = found.routed.routes.find((x) => x.link === id) as Route,
    own = build.loops.flatMap((l) => l.links).find((l) => l.id === id) as Link;
  return inView(model, r, found.routed.routes, [own.from.component, own.to.component]);
};

describe('what is seen through the glass', () => {
  test('reservoirs and blocks on the board are shown unless it is said otherwise; others when it is said', () => {
    const tower = demoBuild('fenland-flood-tower') as Build,
      shown = (b: Build): string[] => b.components.filter(isShown).map((i) => i.id);
    expect(shown(tower)).toEqual(['processor-block', 'reservoir-1', 'reservoir-2']);
    const edited = [
      { do: 'component.set', component: 'card-a', values: { inView: true } } as const,
      { do: 'component.set', component: 'reservoir-2', values: { inView: false } } as const,
    ].reduce<Build>((b, e) => applyEdit(b, e).build, tower);
    expect(shown(edited)).toEqual(['card-a', 'processor-block', 'reservoir-1']);
  });

  test('of two ways as short a run takes the one that does not pass before what is shown', () => {
    // A step up between two meters may be made anywhere on the way; a reservoir stands behind most of it.
    const meters = [component('a', meter, [100, 250, 300]), component('b', meter, [500, 350, 300])],
      shown = component('shown', reservoir, [250, 300, 120]);
    const build = built([...meters, shown], [loop('loop', [link('run', 'a', 'out', 'b', 'in')])]),
      free = applyEdit(build, {
        do: 'component.set',
        component: 'shown',
        values: { inView: false },
      }).build;
    const aside = routeBuild(build),
      any = routeBuild(free),
      length = (f: RoutedBuild): number => pathLength((f.routed.routes[0] as Route).path);
    expect(seen({ ...free, components: build.components }, any, 'run').before).toEqual(['shown']);
    expect(seen(build, aside, 'run').before).toEqual([]);
    expect(length(aside)).toBeCloseTo(length(any), 6);
    expect(check(resolve(build), routedRuns(resolve(build), aside.routed))).toEqual([]);
  });

  test('but not at any price: four bends more are dearer than a tube before a reservoir', () => {
    const build = built(
        [
          component('a', meter, [100, 250, 300]),
          component('b', meter, [500, 250, 300]),
          component('shown', reservoir, [300, 190, 120]),
        ],
        [loop('loop', [link('run', 'a', 'out', 'b', 'in')])],
      ),
      found = routeBuild(build);
    expect((found.routed.routes[0] as Route).corners.length).toBe(2);
    expect(seen(build, found, 'run').before).toEqual(['shown']);
    expect((found.routed.routes[0] as Route).taste).toBeGreaterThan(0);
  });
});

describe('two loops', () => {
  test('of two ways as short a run takes the one that does not cross the other loop', () => {
    const first = [component('a', meter, [60, 350, 380]), component('b', meter, [300, 350, 380])],
      second = [component('c', meter, [100, 250, 200]), component('d', meter, [540, 430, 200])];
    const one = loop('one', [link('run-1', 'a', 'out', 'b', 'in')]),
      two = loop('two', [link('run-2', 'c', 'out', 'd', 'in')]);
    const both = built([...first, ...second], [one, two]),
      alone = routeBuild(built(second, [two])),
      found = routeBuild(both);
    const [mine] = alone.routed.routes,
      [theirs, laid] = found.routed.routes,
      before: RoutedBuild = {
        ...found,
        routed: { ...found.routed, routes: [theirs as Route, mine as Route] },
      };
    // By itself it would cross; beside the other it steps up elsewhere, and is no longer for it.
    expect(seen(both, before, 'run-2').crosses).toEqual(['run-1']);
    expect(seen(both, found, 'run-2').crosses).toEqual([]);
    expect(pathLength((laid as Route).path)).toBeCloseTo(pathLength((mine as Route).path), 6);
    expect(check(resolve(both), routedRuns(resolve(both), found.routed))).toEqual([]);
  });
});

describe('the tower with two loops', () => {
  const tower = demoBuild('fenland-flood-tower') as Build;
  let found: RoutedBuild;
  beforeAll(() => {
    found = routeBuild(tower);
  }, 60_000);

  test('crossing is told of both, and of other loops alone', () => {
    for (const r of found.routed.routes)
      for (const other of seen(tower, found, r.link).crosses) {
        const o = found.routed.routes.find((x) => x.link === other) as Route;
        expect(o.loop).not.toBe(r.loop);
        expect(seen(tower, found, other).crosses).toContain(r.link);
      }
  });
});
