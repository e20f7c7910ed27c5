import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit, type Component } from '../design';
import { analyse } from '../analysis';
import { compileSystem } from '../system';
import type { BoardPart } from '../components';
import { COMMON_HEADERS, planWiring } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design,
  tower = demoDesign('fenland-flood-tower') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const plan = (design: Design) => planWiring(compileSystem(design));
const board = (headers: BoardPart['headers']): Design => ({
  ...desk,
  components: desk.components.map((i): Component =>
    i.part.kind === 'board'
      ? { ...i, part: { ...i.part, ...(headers ? { headers } : {}) } as BoardPart }
      : i,
  ),
});

describe('fans and pumps on the headers', () => {
  /** By hand: 3 × 2.2 W / 12 V = 0.55 A on one header of 1 A by a three-way splitter. */
  test("the desk's front fans: 0.55 A by a three-way splitter", () => {
    const line = plan(desk).lines.find((l) => l.components.includes('front-fans'));
    expect(line?.current_A).toBeCloseTo(0.55, 9);
    expect(line?.by?.outlets).toBe(3);
    expect(line?.limit_A).toBe(1);
  });

  test('a single fan needs no splitter; the pump has a header of its own', () => {
    const { lines, plugs } = plan(desk);
    expect(lines.find((l) => l.components.includes('rear-fan'))?.by).toBeNull();
    expect(lines.find((l) => l.components.includes('pump'))?.header).toBe('pump header 1');
    expect(plugs).toEqual({ 'four-pin': 7, 'three-pin': 0, supply: 0 });
  });

  test('fewer headers than sets: the largest share a hub powered by the power supply, and its speed', () => {
    const { lines, unfed } = plan(board({ ...COMMON_HEADERS, fan: 2 }));
    expect(unfed).toEqual([]);
    const hub = lines.find((l) => l.by?.duty === 'hub');
    expect(hub?.components.slice().sort()).toEqual(['front-fans', 'top-fans']);
    expect(hub?.sharedSpeed).toBe(true);
    expect(hub?.by?.outlets).toBe(6);
  });

  test('more than a header gives goes to a hub: three strong fans at 5.4 W are 1.35 A', () => {
    const strong = edited(desk, {
      do: 'component.replace',
      component: 'front-fans',
      part: catalogued('fan', 'fan-gust-120-3000'),
    });
    const line = plan(strong).lines.find((l) => l.components.includes('front-fans'));
    expect(line?.by?.duty).toBe('hub');
    expect(line?.current_A).toBeCloseTo(1.35, 9);
  });

  test('nothing to feed them by is said, with the way out', () => {
    const bare = edited(desk, { do: 'kit.cables', cables: [] });
    expect(
      plan(bare)
        .unfed.map((u) => u.component)
        .sort(),
    ).toEqual(['front-fans', 'top-fans']);
  });

  test('a pump powered by the power supply puts only its speed wire on a header', () => {
    const plus = edited(desk, {
      do: 'component.replace',
      component: 'pump',
      part: catalogued('pump', 'pump-osier-large-plus'),
    });
    expect(plan(plus).lines.find((l) => l.components.includes('pump'))?.current_A).toBe(0);
    expect(plan(plus).plugs.supply).toBe(1);
  });

  test('the leads are on the list, with what asked for them', () => {
    const { lines } = analyse(tower).reports.bom;
    expect(lines.filter((l) => l.kind === 'cable').map((l) => [l.part, l.quantity])).toEqual(
      expect.arrayContaining([
        ['lead-split-3', 2],
        ['lead-split-2', 1],
      ]),
    );
    expect(lines.find((l) => l.part === 'lead-split-3')?.for).toEqual(
      expect.arrayContaining(['front-fans', 'top-fans']),
    );
  });
});

test('every fan and pump is fed once or told, and no line carries more than it may', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 6 }),
      fc.integer({ min: 0, max: 3 }),
      fc.double({ min: 0.2, max: 2, noNaN: true }),
      fc.double({ min: 0.5, max: 3, noNaN: true }),
      (fan, pump, fan_A, pump_A) => {
        const p = plan(board({ fan, pump, fan_A, pump_A }));
        const reported = [
          ...p.lines.flatMap((l) => l.components),
          ...p.unfed.map((u) => u.component),
        ].sort();
        expect(reported).toEqual(
          desk.components
            .filter((i) => i.part.kind === 'fan' || i.part.kind === 'pump')
            .map((i) => i.id)
            .sort(),
        );
        for (const l of p.lines) {
          expect(l.current_A).toBeLessThanOrEqual(l.limit_A + 1e-9);
          if (l.by) expect(l.pieces).toBeLessThanOrEqual(l.by.outlets);
        }
        expect(new Set(p.lines.map((l) => l.header)).size).toBe(p.lines.length);
        expect(p.lines.filter((l) => l.header.startsWith('fan')).length).toBe(fan - p.freeFan);
      },
    ),
    { numRuns: 120 },
  );
});
