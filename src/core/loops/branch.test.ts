import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit, findComponent } from '../design';
import { validateDesign } from '../validation';
import { compileSystem, type LoopGraph } from '../system';
import { insertStation, moveInto, rowEdit, secondPump, splitEdit, teePorts, whyNoSplit } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tee = catalogued('inline', 'inl-tee');
const edited = (design: Design, ...edits: (Edit | null)[]): Design =>
  edits.reduce<Design>((b, e) => {
    if (!e) throw new Error('no edit');
    return applyEdit(b, e).design;
  }, design);
const graphOf = (design: Design): LoopGraph => compileSystem(design).loops[0] as LoopGraph;
const split = edited(desk, splitEdit(desk, 'loop', ['card-block', 'processor-block'], tee));

/** Each port takes one fitting (common practice, no source). */
function portsOnce(design: Design): void {
  const ends = design.loops.flatMap((l) =>
    l.connections.flatMap((k) => [k.from, k.to]).map((r) => `${r.component}/${r.port}`),
  );
  expect(new Set(ends).size).toBe(ends.length);
  expect(validateDesign(JSON.parse(JSON.stringify(design))).ok).toBe(true);
}

describe('splitting a loop', () => {
  test('gives two tees, two lanes, a closed circle, and every port once', () => {
    portsOnce(split);
    const g = graphOf(split);
    expect([g.closed, g.branched, g.layout.lanes]).toEqual([true, true, 2]);
    const lane = (component: string): number | undefined =>
      g.layout.visits.find((v) => v.component === component)?.lane;
    expect([lane('card-block'), lane('processor-block')].sort()).toEqual([0, 1]);
    const column = (component: string): number =>
      g.layout.visits.find((v) => v.component === component)?.column ?? -1;
    expect(column('card-block')).toBe(column('processor-block'));
    expect(g.stations[0]).toBe('reservoir');
    expect(new Set(g.stations).size).toBe(g.stations.length);
  });

  test('and back: the row has the same parts and no tee', () => {
    const row = edited(split, rowEdit(split, 'loop'));
    portsOnce(row);
    expect(graphOf(row).branched).toBe(false);
    expect([...graphOf(row).stations].sort()).toEqual([...graphOf(desk).stations].sort());
    expect(row.components.length).toBe(desk.components.length);
    expect(rowEdit(desk, 'loop')).toBeNull();
  });

  test('says why not', () => {
    expect(whyNoSplit(desk, 'loop', ['card-block', 'processor-block'])).toBeNull();
    expect(whyNoSplit(desk, 'ghost', [])).toContain('no such loop');
    expect(whyNoSplit(desk, 'loop', ['card-block', 'rear-fan'])).toContain('Rear fan');
    expect(teePorts(catalogued('inline', 'inl-filter'))).toBeNull();
  });
});

describe('a second pump', () => {
  test('in the row: straight behind the first', () => {
    const two = edited(
      desk,
      secondPump(desk, 'loop', 'pump', catalogued('pump', 'pump-brook-small'), 'series', null, {
        on: 'unplaced',
      }),
    );
    portsOnce(two);
    expect(graphOf(two).stations.slice(0, 3)).toEqual(['reservoir', 'pump', 'pump-2']);
    expect(findComponent(two, 'pump-2')?.settings.speed_rpm).toBe(3000);
  });

  test('side by side: between two tees', () => {
    const two = edited(
      desk,
      secondPump(desk, 'loop', 'pump', catalogued('pump', 'pump-osier-large'), 'parallel', tee, {
        on: 'unplaced',
      }),
    );
    portsOnce(two);
    const g = graphOf(two);
    expect([g.closed, g.layout.lanes]).toEqual([true, 2]);
    expect(
      secondPump(desk, 'loop', 'pump', catalogued('pump', 'pump-osier-large'), 'parallel', null, {
        on: 'unplaced',
      }),
    ).toBeNull();
    expect(
      secondPump(desk, 'loop', 'rear-fan', catalogued('pump', 'pump-osier-large'), 'series', null, {
        on: 'unplaced',
      }),
    ).toBeNull();
  });
});

describe('moving a part into another run', () => {
  test('works from lane to trunk and closes the gap it leaves', () => {
    const into = split.loops[0]?.connections.find((l) => l.to.component === 'reservoir')?.id ?? '';
    const moved = edited(split, moveInto(split, 'loop', 'processor-block', into));
    portsOnce(moved);
    const g = graphOf(moved);
    expect(g.closed).toBe(true);
    expect(g.stations.indexOf('processor-block')).toBeGreaterThan(
      g.stations.indexOf('front-radiator'),
    );
  });

  test('its own runs, tees and unknown runs are no target', () => {
    const own = split.loops[0]?.connections.find((l) => l.to.component === 'card-block')?.id ?? '';
    expect(moveInto(split, 'loop', 'card-block', own)).toBeNull();
    expect(moveInto(split, 'loop', 'tee', own)).toBeNull();
    expect(moveInto(split, 'loop', 'card-block', 'ghost')).toBeNull();
  });
});

describe('pieces that hang in the runs', () => {
  const hung = edited(desk, {
    do: 'component.add',
    component: {
      id: 'filter',
      name: 'Filter',
      part: catalogued('inline', 'inl-filter'),
      placement: { on: 'line' },
      settings: {},
    },
  });
  const placed = edited(hung, insertStation(hung, 'loop', 'filter'));

  test('enter by the marked inlet and hang between the parts they lead to', () => {
    const connection = placed.loops[0]?.connections.find((l) => l.to.component === 'filter'),
      out = placed.loops[0]?.connections.find((l) => l.from.component === 'filter');
    expect([connection?.to.port, out?.from.port]).toEqual(['in', 'out']);
    const system = compileSystem(placed);
    const before = system.portAt(connection?.from ?? { component: '', port: '' })?.at,
      after = system.portAt(out?.to ?? { component: '', port: '' })?.at,
      own = system.portAt({ component: 'filter', port: 'in' });
    for (const axis of [0, 1, 2] as const) {
      const [low, high] = [
        Math.min(before?.[axis] ?? NaN, after?.[axis] ?? NaN),
        Math.max(before?.[axis] ?? NaN, after?.[axis] ?? NaN),
      ];
      expect(own?.at[axis] ?? NaN).toBeGreaterThanOrEqual(low - 20);
      expect(own?.at[axis] ?? NaN).toBeLessThanOrEqual(high + 20);
    }
    expect(system.placed.get('filter')?.unplaced).toBeNull();
  });

  test('in no loop they have no place yet, and nothing breaks', () => {
    expect(compileSystem(hung).portAt({ component: 'filter', port: 'in' })).toBeNull();
  });
});

describe('a plate with two chambers', () => {
  /** Pump → plate → two blocks → plate → radiator: the plate is met twice. */
  test('is laid out as two visits', () => {
    const ref = (component: string, port: string): { component: string; port: string } => ({
      component,
      port,
    });
    const link = (
      id: string,
      from: { component: string; port: string },
      to: { component: string; port: string },
    ): Design['loops'][number]['connections'][number] => ({
      id,
      from,
      to,
      by: 'tube',
      ends: { from: 'auto', to: 'auto' },
    });
    const plated = edited(
      desk,
      {
        do: 'component.add',
        component: {
          id: 'plate',
          name: 'Plate',
          part: catalogued('inline', 'inl-plate-2'),
          placement: { on: 'line' },
          settings: {},
        },
      },
      {
        do: 'loop.connections',
        loop: 'loop',
        connections: [
          link('1', ref('reservoir', 'foot'), ref('pump', 'in')),
          link('2', ref('pump', 'out'), ref('plate', 'supply-1')),
          link('3', ref('plate', 'supply-2'), ref('card-block', 'a1')),
          link('4', ref('card-block', 'b1'), ref('plate', 'return-2')),
          link('5', ref('plate', 'supply-3'), ref('processor-block', 'in')),
          link('6', ref('processor-block', 'out'), ref('plate', 'return-3')),
          link('7', ref('plate', 'return-1'), ref('front-radiator', 'p1')),
          link('8', ref('front-radiator', 'p2'), ref('reservoir', 'return')),
        ],
      },
    );
    const g = graphOf(plated);
    expect(g.layout.visits.filter((v) => v.component === 'plate').length).toBe(2);
    expect([g.closed, g.branched, g.layout.lanes]).toEqual([true, true, 2]);
  });
});
