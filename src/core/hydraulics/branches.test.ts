import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import { branchesOf, networkOf, type Branch } from '.';
import { splitEdit } from '../loops';
import { teedTower } from '@/catalogue/teedTower.fixture';
import type { LoopGraph } from '../system';
import type { InlinePart } from '../components';

const tower = demoDesign('fenland-flood-tower') as Design;
const rowsOf = (design: Design, loop: string): readonly Branch[] => {
  const w = analyse(design);
  const graph = w.system.loops.find((g) => g.loop.id === loop) as LoopGraph;
  const state = w.reports.flow.loops.find((l) => l.id === loop);
  return branchesOf(
    graph,
    networkOf(w.system, graph, w.reports.runs, state?.coolant_C ?? 30),
    w.reports.flow.links,
  );
};

describe('branches', () => {
  test('a plain ring is one stretch through everything, taking all the pump gives', () => {
    const [only, ...more] = rowsOf(tower, 'loop');
    expect(more).toEqual([]);
    expect(only?.share).toBeCloseTo(1, 6);
    const state = analyse(tower).reports.flow.loops.find((l) => l.id === 'loop');
    expect(Math.abs((only?.takes_kPa ?? NaN) - (state?.head_kPa ?? NaN))).toBeLessThan(0.01);
  });

  /**
   * Kirchhoff's two laws for a hydraulic split (any textbook of pipe networks): flows add up at the
   * tee, and drops across parallel ways are equal.
   */
  test('lanes share the flow of the trunk and drop alike', () => {
    const rows = rowsOf(teedTower, 'loop-2');
    const a = rows.find((r) => r.components.includes('card-block-a')),
      b = rows.find((r) => r.components.includes('card-block-b'));
    const trunk = rows.find((r) => r.components.includes('top-radiator'));
    expect((a?.flow_Lmin ?? 0) + (b?.flow_Lmin ?? 0)).toBeCloseTo(trunk?.flow_Lmin ?? NaN, 6);
    expect((a?.share ?? 0) + (b?.share ?? 0)).toBeCloseTo(1, 6);
    expect(rows.map((r) => r.takes_kPa).every((t) => t > 0)).toBe(true);
    expect(a?.from).toBe(b?.from);
    expect(a?.to).toBe(b?.to);
  });

  test('two of a row set side by side are two lanes', () => {
    const desk = demoDesign('dawn-chorus-desk') as Design;
    const edit = splitEdit(
      desk,
      'loop',
      ['card-block', 'processor-block'],
      catalogued('inline', 'inl-tee') as InlinePart,
    ) as Edit;
    const split = applyEdit(desk, edit).design;
    const rows = rowsOf(split, 'loop');
    expect(rows.filter((r) => r.share < 0.95).length).toBe(2);
    const lane = rows.filter((r) => r.share < 0.95);
    expect(lane.reduce((s, r) => s + r.flow_Lmin, 0)).toBeCloseTo(
      Math.max(...rows.map((r) => r.flow_Lmin)),
      6,
    );
  });

  test('a block nearly plugged leaves its lane next to nothing', () => {
    const added = applyEdit(tower, {
      do: 'component.set',
      component: 'card-block-a',
      values: { clogged: 0.95 },
    }).design;
    const a = rowsOf(added, 'loop-2').find((r) => r.components.includes('card-block-a'));
    expect(a?.share ?? 1).toBeLessThan(0.12);
  });
});
