import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { catalogued, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { isWet } from '../components';
import {
  applyEdit,
  findComponent,
  type ComponentId,
  type ConnectionId,
  type Design,
} from '../design';
import { sub, type Vec } from '../geometry';
import { proposeLoop } from '../loops';
import { compileSystem, facing, moveEdit, movedBy, namesOf, nodeIdOf, sameNames } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const { mates } = compileSystem(desk);

/** The desk with its reservoir screwed straight onto the pump's inlet. */
function screwed(): Design {
  const apart = applyEdit(desk, { do: 'loop.remove', loop: 'loop' }).design;
  const inlet = compileSystem(apart)
    .placed.get('pump')
    ?.ports.find((p) => p.port.role === 'in')?.at ?? [0, 0, 0];
  const over = applyEdit(apart, {
    do: 'component.place',
    component: 'reservoir',
    placement: { on: 'free', at: [inlet[0], inlet[1] + 5, inlet[2]], turn: 0 },
  }).design;
  const proposed = proposeLoop(over, {
    name: 'Main loop',
    tube: catalogued('tube', 'tube-epdm-16-10'),
    fitting: catalogued('fitting', 'fit-comp-16-10'),
    coolant: catalogued('coolant', 'cool-clear-premix'),
    bridges: [],
  });
  return proposed ? applyEdit(over, proposed).design : over;
}

describe('mates: what holds what', () => {
  test('a block on the processor stands on it, on the board, and with them in one group', () => {
    expect(mates.hostsOf('processor-block')).toEqual(['processor', 'board']);
    expect(mates.standingOn('processor')).toEqual(['processor-block']);
    expect(mates.groupOf('processor-block')).toEqual(
      expect.arrayContaining(['board', 'processor', 'memory', 'card', 'card-block']),
    );
    expect(mates.rootsOf('card-block')).toEqual(['board']);
  });

  test('fans stand on their radiator by the face they are on; a mount holds what hangs on it', () => {
    expect(mates.standingOn('top-radiator')).toEqual(['top-fans']);
    expect(mates.all.find((m) => m.component === 'top-fans')).toMatchObject({
      kind: 'radiator',
      to: 'top-radiator',
    });
    expect(mates.onMount('top')).toEqual(['top-radiator']);
    expect(mates.groupOf('rear-fan')).toEqual(['rear-fan']);
  });

  test('a direct connection screws two parts into one group, from either side', () => {
    const design = screwed(),
      { mates: joined } = compileSystem(design);
    expect(joined.screwedTo('pump')).toEqual(['reservoir']);
    expect(joined.screwedTo('reservoir')).toEqual(['pump']);
    expect(joined.all.filter((m) => m.kind === 'direct')).toHaveLength(1);
    expect([...joined.rootsOf('pump')].sort()).toEqual(['pump', 'reservoir']);
  });

  test('parts that carry each other in a circle have no place, and nothing hangs', () => {
    const circle = [
      ['processor-block', 'card-block'],
      ['card-block', 'processor-block'],
    ].reduce(
      (d, [component = '', on = '']) =>
        applyEdit(d, {
          do: 'component.place',
          component,
          placement: { on: 'component', component: on },
        }).design,
      desk,
    );
    const system = compileSystem(circle);
    expect(system.mates.hostsOf('card-block')).toEqual(['processor-block', 'card-block']);
    expect(system.placed.get('card-block')?.frame).toBeNull();
  });
});

describe('a rigid group moves as one', () => {
  /** How far each component has moved, mm. */
  const moves = (before: Design, after: Design): ReadonlyMap<string, Vec> => {
    const then = compileSystem(after).placed;
    return new Map(
      [...compileSystem(before).placed].flatMap(([id, { frame }]) => {
        const to = then.get(id)?.frame;
        return frame && to ? [[id, sub(to.at, frame.at)] as const] : [];
      }),
    );
  };

  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: whatever is moved takes its group along, and nothing else',
    (_, design) => {
      const system = compileSystem(design);
      const movable = design.components.filter((c) => movedBy(design, c.id, [0, 0, 0]));
      fc.assert(
        fc.property(fc.nat(), fc.integer({ min: -40, max: 40 }), (pick, mm) => {
          const component = movable[pick % movable.length];
          const placement = component && movedBy(design, component.id, [mm, mm, mm]);
          if (!component || !placement) return;
          const edit = moveEdit(system, component.id, placement);
          const moved = moves(design, applyEdit(design, edit).design),
            by = moved.get(component.id);
          const group = new Set(system.mates.groupOf(component.id));
          for (const [id, way] of moved) {
            // Inline parts in a run have a pose of their own.
            if (findComponent(design, id)?.placement.on === 'line') continue;
            expect({ id, way: way.map((v) => v + 0) }).toEqual({
              id,
              way: (group.has(id) ? (by ?? []) : [0, 0, 0]).map((v) => v + 0),
            });
          }
        }),
        { numRuns: 30 },
      );
    },
  );

  test('a reservoir screwed to the pump goes with it: their ports still meet', () => {
    const design = screwed(),
      system = compileSystem(design);
    const placement = movedBy(design, 'pump', [12, 0, -9]);
    const edit = moveEdit(system, 'pump', placement ?? { on: 'unplaced' });
    const moved = compileSystem(applyEdit(design, edit).design);
    const joint = design.loops[0]?.connections.find((c) => c.by === 'direct');
    const [a, b] = [joint?.from, joint?.to].map((ref) => ref && moved.portAt(ref));
    expect(a && b && facing(a, b)).toMatchObject({ aside_mm: expect.closeTo(0, 6) });
    expect(moved.placed.get('reservoir')?.frame?.at).toEqual(
      system.placed.get('reservoir')?.frame?.at.map((v, i) => v + ([12, 0, -9][i] ?? 0)),
    );
  });
});

describe('links of a loop', () => {
  const wet = DEMO_BUILDS.flatMap(({ name, design }) =>
    compileSystem(design).loops.map((graph) => [`${name}, ${graph.loop.name}`, graph] as const),
  );

  test.each(wet)(
    '%s: each link joins two of its nodes, and each node names its chamber',
    (_, graph) => {
      for (const link of graph.links)
        for (const end of [link.from, link.to]) {
          const node = graph.nodes.get(end);
          expect(node && nodeIdOf(node.component, node.chamber)).toBe(end);
        }
    },
  );

  test.each(wet)(
    '%s: passages share the coolant of their part, and the part says the law',
    (_, graph) => {
      const held = new Map<string, number>();
      for (const { component, part, volume_mL, law, heat } of graph.links) {
        if (component === null || part === null) {
          expect([law.kind, volume_mL, heat]).toEqual([
            expect.stringMatching(/tube|direct/),
            null,
            null,
          ]);
          continue;
        }
        held.set(component, (held.get(component) ?? 0) + (volume_mL ?? 0));
        expect(law.kind === 'pump').toBe(part.kind === 'pump');
        expect(law.kind === 'tee').toBe(part.kind === 'inline' && part.tee !== undefined);
        expect(heat).toBe(['block', 'pump', 'radiator'].includes(part.kind) ? part.kind : null);
      }
      for (const [component, volume_mL] of held) {
        const part = graph.links.find((l) => l.component === component)?.part;
        // A card's block may have passages in two loops; each loop holds its own share.
        const through = graph.links.filter((l) => l.component === component).length;
        if (part && isWet(part))
          expect(volume_mL).toBeCloseTo((part.volume_mL * through) / part.passages.length, 9);
      }
    },
  );
});

test('names: the same for the same names, whatever else was edited', () => {
  const faster = applyEdit(desk, { do: 'fans.speed', speed_rpm: 900 }).design,
    renamed = applyEdit(desk, { do: 'component.rename', component: 'pump', name: 'Heart' }).design;
  expect(sameNames(namesOf(desk), namesOf(faster))).toBe(true);
  expect(sameNames(namesOf(desk), namesOf(renamed))).toBe(false);
  expect(namesOf(renamed).get('pump')).toBe('Heart');
});

test('ids cannot be taken for one another: the compiler refuses it', () => {
  const run: ConnectionId = 'run-1';
  // @ts-expect-error A connection is no component.
  const component: ComponentId = run;
  // @ts-expect-error Nor is a node of a loop.
  const other: ComponentId = nodeIdOf('pump', 'in');
  expect([component, other]).toEqual(['run-1', 'pump/in']);
});
