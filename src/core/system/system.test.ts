import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit, type Placement, findComponent } from '../design';
import { boxSize } from '../geometry';
import { compileSystem } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (...edits: Edit[]) =>
  compileSystem(edits.reduce((b, e) => applyEdit(b, e).design, desk));
const placed = (component: string, placement: Placement) =>
  edited({ do: 'component.place', component, placement }).placed.get(component);

describe('placing', () => {
  const system = compileSystem(desk);

  test('everything of the demo has a place', () => {
    for (const p of system.placed.values()) expect([p.id, p.unplaced]).toEqual([p.id, null]);
  });

  test('a radiator hangs inside the case, its fans against the frame', () => {
    const radiator = system.placed.get('front-radiator'),
      fans = system.placed.get('front-fans');
    expect(fans?.count).toBe(3);
    expect(fans?.solids.length).toBe(3);
    expect(fans?.solids[0]?.box.max[0]).toBe(455);
    expect(radiator?.solids[0]?.box.max[0]).toBe(430);
    expect(boxSize(radiator?.solids[0]?.box ?? { min: [0, 0, 0], max: [0, 0, 0] })).toEqual([
      30, 397, 120,
    ]);
  });

  /** Common practice: moving the fans to the other face frees the port end by their thickness. */
  test('fans inside bring the radiator to the frame', () => {
    const turned = edited({
      do: 'component.place',
      component: 'front-fans',
      placement: { on: 'radiator', component: 'front-radiator', face: 'interior' },
    });
    expect(turned.placed.get('front-radiator')?.solids[0]?.box.max[0]).toBe(455);
    expect(turned.placed.get('front-fans')?.solids[0]?.box.max[0]).toBe(425);
  });

  test('ports turn to the other end, and still point inward', () => {
    const up = system.placed.get('front-radiator')?.ports[0],
      mount = findComponent(desk, 'front-radiator')?.placement;
    if (mount?.on !== 'mount') throw new Error('the demo lost its radiator');
    const down = placed('front-radiator', { ...mount, ports: 'start' })?.ports[0];
    expect(up?.at[1]).toBeGreaterThan(300);
    expect(down?.at[1]).toBeLessThan(100);
    expect(up?.direction).toEqual([-1, 0, 0]);
    expect(down?.direction).toEqual([-1, 0, 0]);
    expect(down?.at[0]).toBe(up?.at[0]);
  });

  test('sliding moves by what it says', () => {
    const mount = findComponent(desk, 'top-radiator')?.placement;
    if (mount?.on !== 'mount') throw new Error('the demo lost its radiator');
    const by = (slide_mm: number): number =>
      placed('top-radiator', { ...mount, slide_mm })?.solids[0]?.box.min[0] ?? NaN;
    expect(by(37) - by(10)).toBe(27);
  });

  test('a card is thin under a block and thick with its own cooler', () => {
    const height = (p: ReturnType<typeof placed>): number =>
      boxSize(p?.solids[0]?.box ?? { min: [0, 0, 0], max: [0, 0, 0] })[1];
    expect(height(system.placed.get('card'))).toBe(10);
    expect(
      height(edited({ do: 'component.remove', component: 'card-block' }).placed.get('card')),
    ).toBe(42);
  });

  test('a processor block stands on its processor, in the middle', () => {
    const block = system.placed.get('processor-block')?.solids[0]?.box,
      chip = system.placed.get('processor')?.solids[0]?.box;
    expect(block?.min[2]).toBe(chip?.max[2]);
    expect(((block?.min[0] ?? 0) + (block?.max[0] ?? 0)) / 2).toBe(
      ((chip?.min[0] ?? 0) + (chip?.max[0] ?? 0)) / 2,
    );
  });

  test.each([
    [{ on: 'unplaced' }, 'not placed'],
    [{ on: 'mount', mount: 'ghost', slide_mm: 0, ports: 'end', air: 'in' }, 'ghost'],
    [{ on: 'spot', spot: 'ghost', turn: 0 }, 'ghost'],
    [{ on: 'riser' }, 'upright'],
    [{ on: 'slot', slot: 9 }, 'slot 9'],
    [{ on: 'component', component: 'ghost' }, 'not in the build'],
  ] as readonly (readonly [Placement, string])[])(
    '%j is no place, and says why',
    (placement, word) => {
      const p = placed('top-radiator', placement);
      expect(p?.frame).toBeNull();
      expect(p?.unplaced).toContain(word);
    },
  );

  test('parts that sit on each other in a ring are unplaced, not endless', () => {
    const ring = edited(
      {
        do: 'component.place',
        component: 'card-block',
        placement: { on: 'component', component: 'processor-block' },
      },
      {
        do: 'component.place',
        component: 'processor-block',
        placement: { on: 'component', component: 'card-block' },
      },
    );
    expect(ring.placed.get('card-block')?.frame).toBeNull();
  });

  test('without a case nothing has a place', () => {
    const bare = compileSystem({ ...desk, case: null });
    for (const p of bare.placed.values()) expect(p.unplaced).toBe('no case is chosen');
    expect(bare.interior).toBeNull();
  });

  test('turning about the upright axis swaps width and depth', () => {
    const pump = { ...catalogued('pump', 'pump-osier-large'), size: [40, 60, 80] as const };
    const design = {
      ...desk,
      components: desk.components.map((i) =>
        i.id === 'pump'
          ? {
              ...i,
              part: pump,
              placement: { on: 'free' as const, at: [200, 100, 100] as const, turn: 90 as const },
            }
          : i,
      ),
    };
    expect(
      boxSize(
        compileSystem(design).placed.get('pump')?.solids[0]?.box ?? {
          min: [0, 0, 0],
          max: [0, 0, 0],
        },
      ),
    ).toEqual([80, 60, 40]);
  });

  test('cages taken out are gone', () => {
    expect(compileSystem(desk).obstacles.map((o) => o.component)).toEqual(['case:shroud']);
    expect(
      edited({ do: 'case.remove-obstacle', obstacle: 'cage', removed: false }).obstacles.length,
    ).toBe(2);
  });
});

describe('loops as graphs', () => {
  test('stations in flow order from the reservoir, and closed', () => {
    const [graph] = compileSystem(desk).loops;
    expect(graph?.stations[0]).toBe('reservoir');
    expect(graph?.stations[1]).toBe('pump');
    expect(graph?.stations.length).toBe(6);
    expect(graph).toMatchObject({ closed: true, branched: false });
  });

  test('a run taken out opens it', () => {
    const id = desk.loops[0]?.connections[3]?.id ?? '';
    const [graph] = edited({ do: 'connection.remove', loop: 'loop', connection: id }).loops;
    expect(graph?.closed).toBe(false);
    expect(graph?.stations.length).toBe(6);
  });

  test('a second run from a part is a branch', () => {
    const [graph] = edited({
      do: 'connection.add',
      loop: 'loop',
      connection: {
        id: 'extra',
        from: { component: 'pump', port: 'low' },
        to: { component: 'reservoir', port: 'top' },
        by: 'tube',
        ends: { from: 'auto', to: 'auto' },
      },
    }).loops;
    expect(graph?.branched).toBe(true);
  });

  test('a block entered from behind runs backwards, a pump never does', () => {
    const loop = desk.loops[0] as Design['loops'][number];
    const flipped = loop.connections.map((l) => ({
      ...l,
      from:
        l.from.component === 'card-block'
          ? {
              ...l.from,
              port: l.from.port.startsWith('out')
                ? l.from.port.replace('out', 'in')
                : l.from.port.replace('in', 'out'),
            }
          : l.from,
      to:
        l.to.component === 'card-block'
          ? {
              ...l.to,
              port: l.to.port.startsWith('out')
                ? l.to.port.replace('out', 'in')
                : l.to.port.replace('in', 'out'),
            }
          : l.to,
    }));
    const before = compileSystem(desk).loops[0]?.links.find((e) => e.component === 'card-block');
    const after = edited({
      do: 'loop.connections',
      loop: 'loop',
      connections: flipped,
    }).loops[0]?.links.find((e) => e.component === 'card-block');
    expect(after?.from).toBe(before?.to);
    expect(compileSystem(desk).loops[0]?.links.find((e) => e.component === 'pump')?.from).toBe(
      'pump/in',
    );
  });
});
