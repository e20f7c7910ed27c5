import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { compileSystem } from '../system';
import { isWet } from '../components';
import { estimateRuns } from '../tubing';
import { insertStation, looseParts, orderStations, proposeLoop, reorderLoop } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const apart = applyEdit(desk, { do: 'loop.remove', loop: 'loop' }).design;
const choice = {
  name: 'Main loop',
  tube: catalogued('tube', 'tube-epdm-16-10'),
  fitting: catalogued('fitting', 'fit-comp-16-10'),
  coolant: catalogued('coolant', 'cool-clear-premix'),
};
const laid = (design: Design): Design =>
  applyEdit(design, proposeLoop(design, choice) as Edit).design;
const tubeLength = (design: Design): number =>
  estimateRuns(compileSystem(design)).reduce((s, r) => s + r.cut_mm, 0);

/** Every port of every wet part that a loop touches is connected once or capped once. */
function everyPortOnce(design: Design): void {
  const touched = new Set(
    design.loops.flatMap((l) => l.connections.flatMap((k) => [k.from.component, k.to.component])),
  );
  for (const component of design.components) {
    if (!touched.has(component.id) || !isWet(component.part)) continue;
    for (const port of component.part.ports) {
      const runs = design.loops
        .flatMap((l) => l.connections)
        .filter(
          (k) =>
            (k.from.component === component.id && k.from.port === port.id) ||
            (k.to.component === component.id && k.to.port === port.id),
        ).length;
      const caps = design.loops
        .flatMap((l) => l.caps)
        .filter((c) => c.component === component.id && c.port === port.id).length;
      expect([component.id, port.id, runs + caps]).toEqual([component.id, port.id, 1]);
    }
  }
}

describe('a proposed loop', () => {
  const design = laid(apart);

  test('closes, starts at the reservoir, feeds the pump from it', () => {
    const [graph] = compileSystem(design).loops;
    expect(graph).toMatchObject({ closed: true, branched: false });
    expect(graph?.stations.slice(0, 2)).toEqual(['reservoir', 'pump']);
  });

  test('uses or caps every port, with one drain and one fill', () => {
    everyPortOnce(design);
    const caps = design.loops[0]?.caps ?? [];
    expect(caps.filter((c) => c.with === 'drain').length).toBe(1);
    expect(caps.filter((c) => c.with === 'fill').length).toBe(1);
  });

  test('is no longer than any other order of its stations', () => {
    const stations = compileSystem(design).loops[0]?.stations ?? [];
    const swaps = [
      [2, 3],
      [3, 4],
      [4, 5],
      [2, 5],
    ] as const;
    for (const [i, j] of swaps) {
      const order = [...stations];
      [order[i], order[j]] = [order[j] as string, order[i] as string];
      expect(
        tubeLength(applyEdit(design, reorderLoop(design, 'loop', order)).design),
      ).toBeGreaterThan(tubeLength(design) * 0.9);
    }
  });

  test('respects marked inlets: the processor block is entered at its inlet', () => {
    const connection = design.loops[0]?.connections.find(
      (l) => l.to.component === 'processor-block',
    );
    expect(connection?.to.port).toBe('in');
  });

  test('is the same whenever asked', () => {
    expect(proposeLoop(apart, choice)).toEqual(proposeLoop(apart, choice));
  });

  test('wants two parts', () => {
    expect(
      proposeLoop(
        { ...apart, components: apart.components.filter((i) => i.id === 'pump') },
        choice,
      ),
    ).toBeNull();
  });

  test('a second loop keeps its run ids apart from the first', () => {
    const tower = demoDesign('fenland-flood-tower') as Design;
    const ids = tower.loops.flatMap((l) => l.connections.map((k) => k.id));
    expect(new Set(ids).size).toBe(ids.length);
    everyPortOnce(tower);
  });
});

describe('changing a loop', () => {
  test('another order keeps every port used or capped', () => {
    const stations = compileSystem(desk).loops[0]?.stations ?? [];
    const order = [stations[0], stations[1], ...[...stations.slice(2)].reverse()] as string[];
    const other = applyEdit(desk, reorderLoop(desk, 'loop', order)).design;
    expect(compileSystem(other).loops[0]?.stations).toEqual(order);
    expect(compileSystem(other).loops[0]?.closed).toBe(true);
    everyPortOnce(other);
  });

  test('a new part is put where it lengthens the loop least', () => {
    const block = {
      id: 'memory-block',
      name: 'Memory block',
      part: catalogued('block', 'blk-quill-memory'),
      placement: { on: 'component' as const, component: 'memory' },
      settings: {},
    };
    const added = applyEdit(desk, { do: 'component.add', component: block }).design;
    expect(looseParts(added)).toEqual(['memory-block']);
    const inside = applyEdit(added, insertStation(added, 'loop', 'memory-block') as Edit).design;
    expect(compileSystem(inside).loops[0]).toMatchObject({ closed: true, branched: false });
    expect(compileSystem(inside).loops[0]?.stations).toContain('memory-block');
    everyPortOnce(inside);
    expect(tubeLength(inside) - tubeLength(desk)).toBeLessThan(350);
  });

  test('no loop, no insertion', () => {
    expect(insertStation(desk, 'ghost', 'pump')).toBeNull();
  });

  test('many stations fall back to nearest next, and still all are there', () => {
    const blocks = Array.from({ length: 9 }, (_, i) => ({
      id: `b${i}`,
      name: `Block ${i}`,
      part: catalogued('block', 'blk-quill-memory'),
      placement: {
        on: 'free' as const,
        at: [30 + 40 * ((i * 7) % 9), 100, 60] as const,
        turn: 0 as const,
      },
      settings: {},
    }));
    const crowded = blocks.reduce(
      (b, component) => applyEdit(b, { do: 'component.add', component }).design,
      apart,
    );
    const ids = ['reservoir', 'pump', ...blocks.map((b) => b.id)];
    const order = orderStations(crowded, compileSystem(crowded), ids);
    expect([...order].sort()).toEqual([...ids].sort());
    expect(order.slice(0, 2)).toEqual(['reservoir', 'pump']);
  });
});
