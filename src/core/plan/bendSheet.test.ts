import { beforeAll, describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, withoutRoutes, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import type { Run } from '../tubing';
import {
  bendSheet,
  makingCautions,
  makingOrder,
  makingSteps,
  mandrelsOf,
  planesOf,
  springBackWords,
  type BendSheet,
} from '.';

const tower = demoDesign('fenland-flood-tower') as Design,
  desk = demoDesign('dawn-chorus-desk') as Design;
const loop = tower.loops[0] as Design['loops'][number];
const edited = (design: Design, edit: Edit): Design => applyEdit(design, edit).design;

/** 101.6 mm to the corner, 80 mm on, 12.7 mm radius; flat. */
const byHand = (radius: number, corner: number, on: number): Run => ({
  id: 'r',
  loop: loop.id,
  from: { component: 'a', port: 'p' },
  to: { component: 'b', port: 'p' },
  name: 'A → B',
  endNames: { from: 'A', to: 'B' },
  by: 'tube',
  tube: { outer_mm: 14, inner_mm: 10, kind: 'PETG', hard: true },
  ends: { from: 'straight', to: 'straight' },
  fittings: [],
  cut_mm: 0,
  bends: 1,
  turning_deg: 90,
  volume_mL: 0,
  estimated: false,
  guess: null,
  routed: {
    path: [
      { kind: 'line', from: [0, 0, 0], to: [corner - radius, 0, 0] },
      {
        kind: 'arc',
        from: [corner - radius, 0, 0],
        to: [corner, radius, 0],
        centre: [corner - radius, radius, 0],
        radius,
        axis: [0, 0, 1],
        angle_deg: 90,
      },
      { kind: 'line', from: [corner, radius, 0], to: [corner, on, 0] },
    ],
    radius_mm: radius,
    kept_mm: 5,
    visibility: { crosses: [], before: [] },
    nearest: null,
    lies: null,
    clips: [],
    pieces: [],
    lra: [
      { length_mm: corner - radius, rotation_deg: 0, angle_deg: 90, radius_mm: radius, corner: 0 },
    ],
    last_mm: on - radius,
  },
});

describe('the sheet of a run', () => {
  /**
   * Common practice, no source: 101.6 mm to the corner with a 12.7 mm radius starts at 88.9 mm; 8
   * mm sit in the fitting.
   */
  test('marks by hand: start, corner, cut length, end to end', () => {
    const sheet = bendSheet(byHand(12.7, 101.6, 80), loop) as BendSheet,
      [bend] = sheet.bends;
    expect(bend).toMatchObject({
      start_mm: expect.closeTo(88.9 + 8, 9),
      corner_mm: expect.closeTo(101.6 + 8, 9),
      setBack_mm: expect.closeTo(12.7, 9),
      rotation_deg: null,
      set_deg: 90,
    });
    expect(sheet.cut_mm).toBeCloseTo(88.9 + (Math.PI / 2) * 12.7 + 67.3 + 16, 9);
    expect(sheet.span_mm).toBeCloseTo(Math.hypot(109.6, 88), 9);
    expect(sheet.extent_mm.map((v) => Math.round(v * 1e6) / 1e6)).toEqual([
      109.6 + 14,
      88 + 14,
      14,
    ]);
  });

  /**
   * Spring-back ratio left over set (Kalpakjian, from memory): 86 left of 90, so that 90 wants
   * 94.19 set.
   */
  test('the test bend gives the angle to set', () => {
    const sheet = bendSheet(byHand(20, 100, 80), {
      ...loop,
      testBends: [{ set_deg: 90, left_deg: 86 }],
    }) as BendSheet;
    expect(sheet.bends[0]?.set_deg).toBeCloseTo((90 * 90) / 86, 9);
    expect(makingSteps(sheet).join(' ')).toContain('94.2°');
  });

  test('the sentence of the trade stands in the steps', () => {
    expect(makingSteps(bendSheet(byHand(12.7, 101.6, 80), loop) as BendSheet).join(' ')).toContain(
      'start 12.7 mm before the corner, at 96.9 mm',
    );
  });

  test('copper is bent cold: a former a little tighter, no heat, and the estimate says so', () => {
    const copper = catalogued('tube', 'tube-copper-12-10');
    const sheet = bendSheet(byHand(36, 100, 80), { ...loop, tube: copper }) as BendSheet;
    const [bend] = sheet.bends;
    expect(bend?.set_deg).toBeCloseTo(90 / (1 - 0.00850091), 5);
    expect(bend?.mandrel_mm).toBeCloseTo(36 * (1 - 0.00850091), 5);
    const steps = makingSteps(sheet).join(' ');
    expect(steps).toContain('former of 35.7 mm to 90.8° and let go (90.0° is left, estimated)');
    expect(steps).not.toMatch(/warm|cord/i);
    expect(makingCautions(sheet).join(' ')).toContain('Metal filings carry current');
    expect(springBackWords(sheet.springBack)).toContain('99.1 % of the set angle');
  });

  test('no way in space, no sheet', () => {
    const { routed: _routed, ...run } = byHand(20, 100, 80);
    expect(bendSheet(run, loop)).toBeNull();
  });
});

describe('the sheets of the demos', () => {
  let sheets: readonly BendSheet[] = [],
    soft: readonly BendSheet[] = [];
  beforeAll(() => {
    const of = (b: Design): readonly BendSheet[] =>
      analyse(b).reports.runs.flatMap(
        (r) => bendSheet(r, b.loops.find((l) => l.id === r.loop) as Design['loops'][number]) ?? [],
      );
    sheets = of(tower);
    soft = of(desk);
  }, 60_000);

  test('marks rise, lie on the tube, and never overlap', () => {
    expect(sheets.length).toBe(9);
    for (const s of sheets)
      s.bends.forEach((b, i) => {
        expect(b.start_mm).toBeGreaterThanOrEqual(s.bends[i - 1]?.end_mm ?? s.grip_mm);
        expect(b.end_mm).toBeLessThan(s.cut_mm - s.grip_mm + 1e-9);
        expect(b.start_mm + b.setBack_mm).toBeCloseTo(b.corner_mm, 9);
      });
  });

  test('another mandrel for one bend: its mark, its arc, its steps; the other bends keep theirs', () => {
    const before = sheets.find((s) => s.run === 'run-3') as BendSheet;
    const wider = edited(tower, {
      do: 'route.radius',
      connection: 'run-3',
      corner: before.bends[1]?.corner ?? -1,
      radius_mm: 36,
    });
    expect(wider.layout.routes['run-3']?.pinned).toBe(true);
    const after = bendSheet(
      analyse(wider).reports.runs.find((r) => r.id === 'run-3') as Run,
      loop,
    ) as BendSheet;
    expect(after.bends.map((b) => b.radius_mm)).toEqual([30, 36]);
    expect((before.bends[1]?.start_mm ?? 0) - (after.bends[1]?.start_mm ?? 0)).toBeCloseTo(6, 9);
    // Two legs lose 6 mm each, the arc gains 6 π/2.
    expect(before.cut_mm - after.cut_mm).toBeCloseTo(12 - 3 * Math.PI, 9);
    expect(mandrelsOf(after)).toEqual([30, 36]);
    expect(makingSteps(after).join(' ')).toContain('round the mandrel of 36.0 mm');
    const again = edited(wider, {
      do: 'route.radius',
      connection: 'run-3',
      corner: before.bends[1]?.corner ?? -1,
      radius_mm: null,
    });
    expect(again.layout.routes['run-3']?.radii_mm).toBeUndefined();
    expect(() =>
      edited(tower, { do: 'route.radius', connection: 'run-3', corner: 9, radius_mm: 36 }),
    ).toThrow('there is no corner 10');
    expect(() =>
      edited(withoutRoutes(tower), {
        do: 'route.radius',
        connection: 'run-3',
        corner: 0,
        radius_mm: 36,
      }),
    ).toThrow('not routed');
  });

  test('made easiest first: bends, then planes, then length', () => {
    const order = makingOrder(sheets),
      rank = (s: BendSheet): number => s.bends.length * 1e6 + planesOf(s) * 1e4 + s.cut_mm;
    expect(order.map(rank)).toEqual([...order.map(rank)].sort((a, b) => a - b));
    expect([...order.map((s) => s.run)].sort()).toEqual([...sheets.map((s) => s.run)].sort());
  });

  test('every hard run is told to deburr, to use cord and mandrel, and to mind heat; acrylic is not cut with a tube cutter; soft tube is not heated', () => {
    for (const s of sheets.filter((x) => x.bends.length > 0)) {
      const steps = makingSteps(s).join(' ');
      for (const word of [
        'Deburr',
        'cord',
        'mandrel',
        'pen that wipes off',
        'hold until it is cool',
      ])
        expect(steps).toContain(word);
      expect(makingCautions(s).join(' ')).toMatch(/burns, fire and fumes/);
    }
    expect(makingSteps({ ...(sheets[0] as BendSheet), material: 'acrylic' })[0]).toContain(
      'acrylic cracks in a tube cutter',
    );
    for (const s of soft) expect(makingSteps(s).join(' ')).not.toContain('mandrel');
  });

  test('a test bend noted on a loop reaches its sheets', () => {
    const design = applyEdit(tower, {
      do: 'loop.test-bends',
      loop: loop.id,
      bends: [{ set_deg: 90, left_deg: 85 }],
    }).design;
    expect(design.loops[0]?.testBends).toEqual([{ set_deg: 90, left_deg: 85 }]);
    expect(
      applyEdit(design, { do: 'loop.test-bends', loop: loop.id, bends: [] }).design.loops[0]
        ?.testBends,
    ).toBeUndefined();
  });
});
