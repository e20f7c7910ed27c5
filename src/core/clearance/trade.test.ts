import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit, type Component } from '../design';
import { evaluate, analyse } from '../analysis';
import { compileSystem } from '../system';
import { BOARD_STANDARDS, THREADS, type CasePart, type RadiatorPart } from '../components';
import { measureGaps, portFits, type Gap } from '.';

/** Cases of the trade, each worked by hand. Common practice, no source, unless one is named. */
const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const gapOf = (design: Design, a: string, b: string): Gap | undefined =>
  measureGaps(compileSystem(design)).gaps.find(
    (g) => [g.a, g.b].includes(a) && [g.a, g.b].includes(b),
  );
const box = desk.case as CasePart;

/** The desk's front mount with a wall across, so deep behind the frame (x 455). */
const walled = (depth: number): Design =>
  edited(desk, {
    do: 'case.choose',
    case: {
      ...box,
      obstacles: [
        {
          id: 'wall',
          name: 'Wall',
          removable: false,
          min: [440 - depth, 0, 0],
          max: [455 - depth, 465, 200],
        },
      ],
      spots: [],
    },
  });
const radiator = (thick: number): RadiatorPart => {
  const r = catalogued('radiator', 'rad-tarn-360-30');
  return {
    ...r,
    size: [r.size[0], r.size[1], thick],
    ports: r.ports.map((p) => ({ ...p, at: [p.at[0], p.at[1], thick] as const })),
  };
};

describe('at a mount', () => {
  test('30 mm core and 25 mm fans in 55 mm: a gap of nothing, and it says so', () => {
    const g = gapOf(walled(55), 'front-radiator', 'case:wall');
    expect(g?.gap_mm).toBe(0);
    expect(g?.verdict).toBe('marginal');
    const diagnostic = analyse(walled(55)).findings.find(
      (f) => f.code === 'fit.tight' && f.subjects.includes('case:wall'),
    );
    expect(diagnostic?.title).toContain('0.0 mm');
  });

  test('58 mm in a "60 mm" space fits on paper: tight, and no fitting or hand goes in', () => {
    const design = edited(walled(60), {
      do: 'component.replace',
      component: 'front-radiator',
      part: radiator(33),
    });
    const g = gapOf(design, 'front-radiator', 'case:wall');
    expect(g?.gap_mm).toBeCloseTo(2, 9);
    expect(g?.verdict).toBe('marginal');
    const w = analyse(design);
    expect(
      w.findings.some((f) => f.code === 'fit.port' && f.subjects.includes('front-radiator')),
    ).toBe(true);
  });

  test("pulling instead of pushing frees the port end by the fan's thickness", () => {
    const pushing = compileSystem(desk).placed.get('front-radiator')?.ports[0]?.at[0] ?? NaN;
    const pulling =
      compileSystem(
        edited(desk, {
          do: 'component.place',
          component: 'front-fans',
          placement: { on: 'radiator', component: 'front-radiator', face: 'interior' },
        }),
      ).placed.get('front-radiator')?.ports[0]?.at[0] ?? NaN;
    expect(pulling - pushing).toBeCloseTo(25, 9);
  });

  test('fans outside the panel give the radiator their whole thickness back', () => {
    const outside = edited(desk, {
      do: 'component.place',
      component: 'front-fans',
      placement: { on: 'radiator', component: 'front-radiator', face: 'outside' },
    });
    const at = (b: Design): number =>
      compileSystem(b).placed.get('front-radiator')?.solids[0]?.box.min[0] ?? NaN;
    expect(at(outside) - at(desk)).toBeCloseTo(25, 9);
    // 28 mm under the cover: 25 mm fans have 3 mm left, 30 mm fans do not go in.
    expect(gapOf(outside, 'front-fans', 'case:front-cover')?.gap_mm).toBeCloseTo(3, 9);
    const deep = analyse(
      edited(outside, {
        do: 'component.replace',
        component: 'front-fans',
        part: catalogued('fan', 'fan-wren-120-30'),
      }),
    );
    expect(
      deep.findings.some(
        (f) =>
          f.code === 'fit.mount' && f.subjects.includes('front-fans') && f.severity === 'fails',
      ),
    ).toBe(true);
  });
});

describe('in the corner', () => {
  /**
   * Front stack from x 455 − 25 − 60; top radiator 397 mm long from x 30 + slide, its stack from y
   * 465 down.
   */
  test('two triple radiators meet where both are thick; slid back, or the front one thin, they clear', () => {
    const meet = edited(
      desk,
      {
        do: 'component.replace',
        component: 'front-radiator',
        part: catalogued('radiator', 'rad-fell-360-60'),
      },
      {
        do: 'component.place',
        component: 'front-radiator',
        placement: { on: 'mount', mount: 'front', slide_mm: 23, ports: 'start', air: 'in' },
      },
      {
        do: 'component.replace',
        component: 'top-radiator',
        part: catalogued('radiator', 'rad-tarn-360-30'),
      },
      {
        do: 'component.place',
        component: 'top-radiator',
        placement: { on: 'mount', mount: 'top', slide_mm: 13, ports: 'start', air: 'in' },
      },
    );
    // Front: 23 + 397 = 420, y 425; the top stack hangs from 465 down to 410: 15 mm into it. Along
    // x: 30 + 13 + 397 = 440 against 370.
    expect(
      gapOf(meet, 'front-radiator', 'top-fans')?.gap_mm ??
        gapOf(meet, 'front-radiator', 'top-radiator')?.gap_mm,
    ).toBeLessThan(0);
    const slid = edited(meet, {
      do: 'component.place',
      component: 'front-radiator',
      placement: { on: 'mount', mount: 'front', slide_mm: 0, ports: 'start', air: 'in' },
    });
    expect(
      Math.min(
        ...measureGaps(compileSystem(slid))
          .gaps.filter(
            (g) =>
              [g.a, g.b].includes('front-radiator') && [g.a, g.b].some((x) => x.startsWith('top-')),
          )
          .map((g) => g.gap_mm),
      ),
    ).toBeGreaterThanOrEqual(0);
  });

  test('a fix offered for it is among those of the trade, and holds', () => {
    const meet = edited(
      desk,
      {
        do: 'component.replace',
        component: 'front-radiator',
        part: catalogued('radiator', 'rad-fell-360-60'),
      },
      {
        do: 'component.place',
        component: 'front-radiator',
        placement: { on: 'mount', mount: 'front', slide_mm: 23, ports: 'start', air: 'in' },
      },
      {
        do: 'component.replace',
        component: 'top-radiator',
        part: catalogued('radiator', 'rad-tarn-360-30'),
      },
    );
    const clash = evaluate(meet, {
      fixes: true,
      offer: [catalogued('radiator', 'rad-tarn-360-27')],
    }).findings.find(
      (f) =>
        f.code === 'fit.clash' &&
        f.subjects.includes('front-radiator') &&
        f.subjects.some((s) => s.startsWith('top-')),
    );
    expect(clash?.fixes[0]?.label).toContain('Slide');
    for (const fix of clash?.fixes ?? []) {
      const then = measureGaps(compileSystem(edited(meet, fix.edit))).gaps.find(
        (g) => g.a === clash?.subjects[0] && g.b === clash?.subjects[1],
      );
      expect(then?.verdict ?? 'clear').not.toBe('clash');
    }
  });
});

describe('ports', () => {
  /**
   * Ports 20 mm apart, fittings 23 mm wide: they overlap by 3 mm; an extender lifts one over the
   * other's collar only if it is longer than the fitting.
   */
  test('two ports too near each other cannot both take a fitting, and the one beside is named', () => {
    const close = desk.components.map((i): Component =>
      i.id === 'processor-block' && i.part.kind === 'block'
        ? {
            ...i,
            part: {
              ...i.part,
              ports: i.part.ports.map((p, k) => ({
                ...p,
                at: [p.at[0], i.part.size[1] / 2 + (k === 0 ? -10 : 10), p.at[2]] as const,
              })),
            },
          }
        : i,
    );
    const w = analyse({ ...desk, components: close });
    const [a, b] = w.system.placed.get('processor-block')?.ports ?? [];
    const apart = Math.hypot(...([0, 1, 2] as const).map((i) => (a?.at[i] ?? 0) - (b?.at[i] ?? 0)));
    const fit = portFits(w.system, w.reports.runs).find((p) => p.component === 'processor-block');
    expect(fit?.gap_mm).toBeCloseTo(apart - (desk.loops[0]?.fitting.diameter_mm ?? 0), 6);
    expect(fit?.besidePort).toBe(true);
  });

  test('a fix for a blocked port is only offered when it was tried and holds', () => {
    const mistakes = demoDesign('pocket-planetarium') as Design;
    for (const f of evaluate(mistakes, {
      fixes: true,
      offer: [catalogued('fitting', 'fit-plug-low')],
    }).findings.filter((x) => x.code === 'fit.port'))
      for (const fix of f.fixes) {
        const w = analyse(edited(mistakes, fix.edit));
        expect(w.findings.some((x) => x.code === 'fit.port' && x.title === f.title)).toBe(false);
      }
  });
});

describe('published sizes', () => {
  /**
   * ISO 228-1:2000, table 1, G 1/4: major 13.157, pitch 1.337, minor 11.445 mm; 19 threads in 25.4
   * mm.
   */
  test('G 1/4', () => {
    const t = THREADS['G1/4'];
    expect(t.major_mm).toBe(13.157);
    expect(t.pitch_mm).toBeCloseTo(1.337, 3);
    // Height of the Whitworth form: 0.640327 P (ISO 228-1).
    expect(t.major_mm - 2 * 0.640327 * t.pitch_mm).toBeCloseTo(t.minor_mm, 3);
  });

  /**
   * ATX specification 2.2, from memory: 305 × 244 mm (12 × 9.6 in); columns 6.1 and 2.85 in apart;
   * first and last row 11.1 in apart.
   */
  test('ATX outline and holes', () => {
    const atx = BOARD_STANDARDS.find((s) => s.name === 'ATX');
    expect([atx?.x_mm, atx?.y_mm]).toEqual([expect.closeTo(243.84, 2), expect.closeTo(304.8, 2)]);
    const xs = [...new Set((atx?.holes ?? []).map((h) => Math.round(100 * h[0]) / 100))].sort(
      (a, b) => a - b,
    );
    expect(xs).toEqual([10.16, 165.1, 237.49]);
    const front = (atx?.holes ?? []).filter((h) => Math.abs(h[0] - 237.49) < 0.01).map((h) => h[1]);
    expect(Math.max(...front) - Math.min(...front)).toBeCloseTo(281.94, 2);
    for (const [x, y] of atx?.holes ?? []) {
      expect(x).toBeLessThan(atx?.x_mm ?? 0);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(atx?.y_mm ?? 0);
    }
  });

  /**
   * Mini-ITX, from memory: holes 154.94 × 157.48 mm apart, the one by the rear connectors 22.86 mm
   * lower.
   */
  test('mini ITX holes', () => {
    const holes = BOARD_STANDARDS.find((s) => s.name === 'mini ITX')?.holes ?? [];
    expect(holes.length).toBe(4);
    const xs = holes.map((h) => h[0]),
      ys = holes.map((h) => h[1]);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(154.94, 2);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(157.48, 2);
  });

  test.each(['brd-barnacre-atx', 'brd-barnacre-mini'])(
    "%s has its standard's outline to a millimetre",
    (id) => {
      const board = catalogued('board', id),
        standard = BOARD_STANDARDS.find((s) => s.name === board.standard);
      expect(Math.abs(board.size[0] - (standard?.x_mm ?? 0))).toBeLessThan(1);
      expect(Math.abs(board.size[1] - (standard?.y_mm ?? 0))).toBeLessThan(1);
    },
  );
});
