import { describe, expect, test } from '@jest/globals';
import { catalogued, demoBuild } from '@/catalogue';
import { applyEdit, type Build, type Edit } from '../design';
import { resolve } from '../system';
import { isWet } from '../components';
import { estimateRuns } from '../tubing';
import { insertStation, looseParts, orderStations, proposeLoop, reorderLoop } from '.';

const desk = demoBuild('dawn-chorus-desk') as Build;
const apart = applyEdit(desk, { do: 'loop.remove', loop: 'loop' }).build;
const choice = {
  name: 'Main loop',
  tube: catalogued('tube', 'tube-epdm-16-10'),
  fitting: catalogued('fitting', 'fit-comp-16-10'),
  coolant: catalogued('coolant', 'cool-clear-premix'),
};
const laid = (build: Build): Build => applyEdit(build, proposeLoop(build, choice) as Edit).build;
const tubeLength = (build: Build): number =>
  estimateRuns(resolve(build)).reduce((s, r) => s + r.cut_mm, 0);

/** Every port of every wet part that a loop touches is connected once or capped once. */
function everyPortOnce(build: Build): void {
  const touched = new Set(
    build.loops.flatMap((l) => l.links.flatMap((k) => [k.from.component, k.to.component])),
  );
  for (const component of build.components) {
    if (!touched.has(component.id) || !isWet(component.part)) continue;
    for (const port of component.part.ports) {
      const runs = build.loops
        .flatMap((l) => l.links)
        .filter(
          (k) =>
            (k.from.component === component.id && k.from.port === port.id) ||
            (k.to.component === component.id && k.to.port === port.id),
        ).length;
      const caps = build.loops
        .flatMap((l) => l.caps)
        .filter((c) => c.component === component.id && c.port === port.id).length;
      expect([component.id, port.id, runs + caps]).toEqual([component.id, port.id, 1]);
    }
  }
}

describe('a proposed loop', () => {
  const build = laid(apart);

  test('closes, starts at the reservoir, feeds the pump from it', () => {
    const [graph] = resolve(build).loops;
    expect(graph).toMatchObject({ closed: true, branched: false });
    expect(graph?.stations.slice(0, 2)).toEqual(['reservoir', 'pump']);
  });

  test('uses or caps every port, with one drain and one fill', () => {
    everyPortOnce(build);
    const caps = build.loops[0]?.caps ?? [];
    expect(caps.filter((c) => c.with === 'drain').length).toBe(1);
    expect(caps.filter((c) => c.with === 'fill').length).toBe(1);
  });

  test('is no longer than any other order of its stations', () => {
    const stations = resolve(build).loops[0]?.stations ?? [];
    const swaps = [
      [2, 3],
      [3, 4],
      [4, 5],
      [2, 5],
    ] as const;
    for (const [i, j] of swaps) {
      const order = [...stations];
      [order[i], order[j]] = [order[j] as string, order[i] as string];
      expect(tubeLength(applyEdit(build, reorderLoop(build, 'loop', order)).build)).toBeGreaterThan(
        tubeLength(build) * 0.9,
      );
    }
  });

  test('respects marked inlets: the processor block is entered at its inlet', () => {
    const link = build.loops[0]?.links.find((l) => l.to.component === 'processor-block');
    expect(link?.to.port).toBe('in');
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
    const tower = demoBuild('fenland-flood-tower') as Build;
    const ids = tower.loops.flatMap((l) => l.links.map((k) => k.id));
    expect(new Set(ids).size).toBe(ids.length);
    everyPortOnce(tower);
  });
});

describe('changing a loop', () => {
  test('another order keeps every port used or capped', () => {
    const stations = resolve(desk).loops[0]?.stations ?? [];
    const order = [stations[0], stations[1], ...[...stations.slice(2)].reverse()] as string[];
    const other = applyEdit(desk, reorderLoop(desk, 'loop', order)).build;
    expect(resolve(other).loops[0]?.stations).toEqual(order);
    expect(resolve(other).loops[0]?.closed).toBe(true);
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
    const added = applyEdit(desk, { do: 'component.add', component: block }).build;
    expect(looseParts(added)).toEqual(['memory-block']);
    const inside = applyEdit(added, insertStation(added, 'loop', 'memory-block') as Edit).build;
    expect(resolve(inside).loops[0]).toMatchObject({ closed: true, branched: false });
    expect(resolve(inside).loops[0]?.stations).toContain('memory-block');
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
      (b, component) => applyEdit(b, { do: 'component.add', component }).build,
      apart,
    );
    const ids = ['reservoir', 'pump', ...blocks.map((b) => b.id)];
    const order = orderStations(crowded, resolve(crowded), ids);
    expect([...order].sort()).toEqual([...ids].sort());
    expect(order.slice(0, 2)).toEqual(['reservoir', 'pump']);
  });
});
