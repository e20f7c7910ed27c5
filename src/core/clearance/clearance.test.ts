import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { compileSystem } from '../system';
import { measureGaps, screwNeeds, screwWindow, mountDepthAt, verdictFor } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const box = demoDesign('pocket-planetarium') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const gapOf = (design: Design, a: string, b: string) =>
  measureGaps(compileSystem(design)).gaps.find(
    (g) => (g.a === a && g.b === b) || (g.a === b && g.b === a),
  );

describe('verdicts', () => {
  test.each([
    [-0.1, 'clash'],
    [0, 'marginal'],
    [4.9, 'marginal'],
    [5, 'clear'],
  ])('%p mm with 5 asked is %s', (gap, verdict) => {
    expect(verdictFor(gap, 5)).toBe(verdict);
  });
});

describe('gaps', () => {
  test('the quiet desk is clear everywhere', () => {
    expect(measureGaps(compileSystem(desk)).gaps.filter((g) => g.verdict !== 'clear')).toEqual([]);
  });

  /** Worked by hand: front stack ends at x 400, the reservoir's round foot at 352 + 30. */
  test('reservoir to front radiator: 18 mm', () => {
    expect(gapOf(desk, 'reservoir', 'front-radiator')?.gap_mm).toBeCloseTo(18, 9);
  });

  test('worst case takes both tolerances off', () => {
    const g = gapOf(desk, 'reservoir', 'front-radiator');
    expect((g?.gap_mm ?? 0) - (g?.worst_mm ?? 0)).toBeCloseTo(1 + 0.5, 9);
  });

  /**
   * Common practice: a reservoir too tall under the top radiator, the next shorter one fits. Here
   * the radiator is moved over it.
   */
  test('a 250 mm reservoir under a top radiator clashes, 200 mm fits', () => {
    const over: Design = edited(desk, {
      do: 'component.replace',
      component: 'top-radiator',
      part: catalogued('radiator', 'rad-tarn-360-30'),
    });
    const tall = edited(over, {
      do: 'component.replace',
      component: 'reservoir',
      part: catalogued('reservoir', 'res-osier-250'),
    });
    expect(gapOf(tall, 'reservoir', 'top-fans')?.verdict).toBe('clash');
    expect(gapOf(over, 'reservoir', 'top-fans')?.verdict).toBe('clear');
  });

  /** Common practice: two triple radiators meet in the shared corner. */
  test('two long radiators meet in the corner when both are thick', () => {
    const both = edited(
      desk,
      {
        do: 'component.replace',
        component: 'top-radiator',
        part: catalogued('radiator', 'rad-fell-360-60'),
      },
      {
        do: 'component.place',
        component: 'top-radiator',
        placement: { on: 'mount', mount: 'top', slide_mm: 13, ports: 'start', air: 'in' },
      },
    );
    expect(gapOf(both, 'front-radiator', 'top-fans')?.verdict).toBe('clash');
  });

  test("the planetarium's radiator clashes by the numbers worked by hand", () => {
    expect(gapOf(box, 'top-radiator', 'reservoir')?.gap_mm).toBeCloseTo(-8, 9);
    expect(gapOf(box, 'card-block', 'top-radiator')?.gap_mm).toBeCloseTo(-11, 9);
  });

  test('a part and what it sits on do not clash, nor do parts screwed together', () => {
    const { gaps } = measureGaps(compileSystem(desk));
    for (const [a, b] of [
      ['processor', 'processor-block'],
      ['card', 'card-block'],
      ['front-fans', 'front-radiator'],
      ['pump', 'reservoir'],
    ] as const) {
      expect(gaps.find((g) => [g.a, g.b].includes(a) && [g.a, g.b].includes(b))).toBeUndefined();
    }
  });

  test('but a joint does not let them stand in each other', () => {
    const same = edited(desk, {
      do: 'component.place',
      component: 'reservoir',
      placement: { on: 'spot', spot: 'pump', turn: 0 },
    });
    expect(gapOf(same, 'pump', 'reservoir')?.verdict).toBe('clash');
  });

  test('the drive cage is in the way until it is taken out', () => {
    const caged = edited(desk, { do: 'case.remove-obstacle', obstacle: 'cage', removed: false });
    expect(compileSystem(caged).obstacles.some((o) => o.component === 'case:cage')).toBe(true);
  });

  test('unplaced parts are listed, not measured', () => {
    const loose = edited(desk, {
      do: 'component.place',
      component: 'pump',
      placement: { on: 'unplaced' },
    });
    const fit = measureGaps(compileSystem(loose));
    expect(fit.unplaced).toEqual([{ component: 'pump', why: 'is not placed' }]);
    expect(fit.gaps.some((g) => g.a === 'pump' || g.b === 'pump')).toBe(false);
  });
});

describe('room at a mount', () => {
  test('used is the stack, free the way to what is first in the way', () => {
    const system = compileSystem(desk);
    const room = mountDepthAt(
      system,
      desk.case?.mounts[0] as NonNullable<Design['case']>['mounts'][number],
    );
    expect(room.used_mm).toBe(55);
    expect(room.free_mm).toBe(67);
    expect(room.blockedBy).toBe('Supply shroud');
  });
});

describe('screws', () => {
  /** physics.md section 6: stack + 2.5 up to stack + depth to the tube − 1. */
  test('25 mm fan, 1 mm gasket, 6 mm to the tube: 28.5 to 31', () => {
    expect(screwWindow(25, 6, { gasket: 1 })).toEqual({
      stack_mm: 26,
      shortest_mm: 28.5,
      longest_mm: 31,
    });
  });

  test('the desk picks M3 × 30 for fans and M3 × 5 or 6 for the frame', () => {
    const needs = screwNeeds(compileSystem(desk));
    expect(needs.every((n) => n.verdict === 'ok')).toBe(true);
    expect(needs.find((n) => n.fans === 'front-fans')?.length_mm).toBe(30);
    expect(needs.find((n) => n.fans === null)?.length_mm).toBeLessThanOrEqual(6);
    expect(needs.find((n) => n.fans === 'front-fans')?.quantity).toBe(12);
  });

  test.each([
    [35, 'too-long'],
    [20, 'too-short'],
    [30, 'ok'],
  ] as const)('%p mm by hand is %s', (screw_mm, verdict) => {
    const design = edited(desk, {
      do: 'component.set',
      component: 'front-fans',
      values: { screw_mm },
    });
    expect(screwNeeds(compileSystem(design)).find((n) => n.fans === 'front-fans')).toMatchObject({
      verdict,
      chosen: 'by hand',
    });
  });

  test('washers bring a longer screw into the window', () => {
    const screws = desk.kit.screws.filter((s) => s.thread !== 'M3' || s.length_mm === 35);
    const need = screwNeeds(compileSystem(edited(desk, { do: 'kit.screws', screws }))).find(
      (n) => n.fans === 'front-fans',
    );
    expect(need).toMatchObject({ verdict: 'ok', length_mm: 35 });
    expect(need?.washers).toBe(Math.ceil(35 - (need?.window.longest_mm ?? 0)));
  });

  test('none on the list is none', () => {
    expect(
      screwNeeds(compileSystem(edited(desk, { do: 'kit.screws', screws: [] }))).every(
        (n) => n.verdict === 'none' && n.length_mm === null,
      ),
    ).toBe(true);
  });
});

describe('room beside a longer neighbour', () => {
  test('only what is in front of the stack counts, not the rest of the rail', () => {
    const tower = demoDesign('fenland-flood-tower') as Design;
    const top = tower.case?.mounts.find((m) => m.id === 'top') as NonNullable<
      Design['case']
    >['mounts'][number];
    const room = mountDepthAt(compileSystem(tower), top);
    expect(room.used_mm).toBe(70);
    expect(room.free_mm).toBeGreaterThanOrEqual(70);
  });
});
