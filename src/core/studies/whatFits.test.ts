import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, findComponent } from '../design';
import { analyse } from '../analysis';
import { measureGaps } from '../clearance';
import { compileSystem } from '../system';
import type { Part, RadiatorPart } from '../components';
import { hangEdit, hangSetEdit, whatFits, type FitChoice, type WhatFits } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design,
  tower = demoDesign('fenland-flood-tower') as Design,
  box = demoDesign('pocket-planetarium') as Design;
const area = (c: FitChoice): number => {
  const r = CATALOGUE.find((p): p is RadiatorPart => p.kind === 'radiator' && p.id === c.radiator);
  return r ? r.sections * r.section_mm ** 2 : 0;
};
const hung = (design: Design, c: FitChoice): Design =>
  applyEdit(design, hangEdit(design, c, CATALOGUE)).design;
const known = new Map<Design, WhatFits>();
const fits = (design: Design): WhatFits => {
  const w = known.get(design) ?? whatFits(design, CATALOGUE);
  known.set(design, w);
  return w;
};
const all = (w: WhatFits): readonly FitChoice[] => w.mounts.flatMap((m) => m.choices);

describe('what fits on each mount', () => {
  /** Told by the search, and measured again by the whole evaluation of a build that has it. */
  test.each([
    ['desk', desk],
    ['tower', tower],
    ['planetarium', box],
  ])("%s: every answer is the evaluation's own", (_name, design) => {
    const choices = all(fits(design)).filter((_, i) => i % 7 === 0);
    expect(choices.length).toBeGreaterThan(5);
    for (const c of choices) {
      const then = hung(design, c);
      const ids = new Set(
        then.components
          .filter(
            (i) =>
              (i.placement.on === 'mount' && i.placement.mount === c.mount) ||
              (i.placement.on === 'radiator' &&
                then.components.some(
                  (r) =>
                    r.id === (i.placement.on === 'radiator' ? i.placement.component : '') &&
                    r.placement.on === 'mount' &&
                    r.placement.mount === c.mount,
                )),
          )
          .map((i) => i.id),
      );
      const near = measureGaps(compileSystem(then)).gaps.find((g) => ids.has(g.a) || ids.has(g.b));
      expect(near?.gap_mm ?? null).toBe(c.gap_mm);
      if (c.fittings !== false) expect(c.verdict).toBe(near?.verdict ?? 'clear');
    }
  });

  test('what is there now is among the answers, with its gap', () => {
    const now = measureGaps(compileSystem(tower)).gaps.find(
      (g) => [g.a, g.b].includes('floor-radiator') || [g.a, g.b].includes('floor-fans'),
    );
    const same = all(fits(tower)).find(
      (c) =>
        c.mount === 'bottom' &&
        c.radiator === 'rad-fell-280-45' &&
        c.faces === 'frame' &&
        c.stack_mm === 70,
    );
    expect(same?.gap_mm ?? Infinity).toBeGreaterThanOrEqual(now?.gap_mm ?? Infinity);
  });

  test('holes 20 mm apart do not hang on 15 mm, four sections not on three', () => {
    const refused = fits(desk).mounts.find((m) => m.mount === 'front')?.refused ?? [];
    expect(refused.find((r) => r.radiator === 'rad-tarn-280-30w')?.why).toContain('15 mm apart');
    expect(refused.find((r) => r.radiator === 'rad-mill-480-45')?.why).toContain('3 of its 4');
  });

  test('a deeper fan is never roomier; push-pull never roomier than one', () => {
    for (const design of [desk, box]) {
      const choices = all(fits(design));
      for (const a of choices)
        for (const b of choices) {
          if (
            a.mount !== b.mount ||
            a.radiator !== b.radiator ||
            a.faces !== b.faces ||
            a.stack_mm <= b.stack_mm
          )
            continue;
          expect(['clear', 'marginal', 'clash'].indexOf(a.verdict)).toBeGreaterThanOrEqual(
            ['clear', 'marginal', 'clash'].indexOf(b.verdict),
          );
        }
    }
  });

  test('it stops when told to', () => {
    let heard = 0;
    expect(
      whatFits(desk, CATALOGUE, () => {
        heard += 1;
        return heard < 3;
      }),
    ).toEqual({ mounts: [], sets: [] });
    expect(heard).toBe(3);
  });
});

describe('the best sets', () => {
  const few: readonly Part[] = [
    'rad-tarn-240-30',
    'rad-tarn-360-30',
    'rad-fell-360-60',
    'rad-tarn-280-30',
  ].map((id) => catalogued('radiator', id));
  const offer = [
    ...few,
    catalogued('fan', 'fan-wren-120-2000'),
    catalogued('fan', 'fan-wren-140-1500'),
  ];

  /**
   * By brute force over every radiator, end and stop on both mounts of the desk, each evaluated
   * whole.
   */
  test('are as large as any that brute force finds', () => {
    const bare: Design = {
      ...desk,
      loops: [],
      components: desk.components.filter(
        (i) => i.part.kind !== 'radiator' && i.part.kind !== 'fan',
      ),
    };
    const [best] = whatFits(bare, offer).sets;
    let most = 0;
    const choices = all(whatFits(bare, offer)).filter(
      (c) => c.verdict !== 'clash' && c.faces !== 'both',
    );
    const ways = (mount: string): FitChoice[] =>
      choices
        .filter((c) => c.mount === mount)
        .flatMap((c) => {
          const rail = bare.case?.mounts.find((m) => m.id === mount)?.length_mm ?? 0,
            slack = rail - catalogued('radiator', c.radiator).size[0];
          return [...new Set([c.slide_mm, 0, slack])].flatMap((slide_mm) =>
            (['start', 'end'] as const).map((ports) => ({ ...c, slide_mm, ports })),
          );
        });
    for (const f of ways('front'))
      for (const t of ways('top')) {
        if (area(f) + area(t) <= most) continue;
        if (
          measureGaps(compileSystem(hung(hung(bare, f), t))).gaps.every(
            (g) => g.verdict !== 'clash',
          )
        )
          most = area(f) + area(t);
      }
    expect(most).toBeGreaterThan(0);
    // Brute force asks for no room for fittings; the search does, so it may end a step lower but
    // never higher.
    expect(best?.area_mm2 ?? 0).toBeLessThanOrEqual(most);
    expect(best?.area_mm2 ?? 0).toBeGreaterThanOrEqual(most - 240 * 120);
  });

  test.each([
    ['desk', desk],
    ['tower', tower],
    ['planetarium', box],
  ])('%s: a set taken in one click holds', (_name, design) => {
    for (const set of fits(design).sets) {
      const then = applyEdit(design, hangSetEdit(design, set, CATALOGUE)).design;
      const mounted = new Set(set.picks.map((p) => p.mount));
      const ids = new Set(
        then.components
          .filter((i) => i.placement.on === 'mount' && mounted.has(i.placement.mount))
          .map((i) => i.id),
      );
      for (const i of then.components)
        if (i.placement.on === 'radiator' && ids.has(i.placement.component)) ids.add(i.id);
      const { gaps } = analyse(then).reports.clearance;
      expect(gaps.filter((g) => ids.has(g.a) && ids.has(g.b) && g.verdict === 'clash')).toEqual([]);
      expect(set.picks.reduce((s, p) => s + area(p), 0)).toBe(set.area_mm2);
    }
  });
});

describe('hanging a choice', () => {
  test("changes the radiator that is there, keeps its runs, its name and the fans' speed", () => {
    const c = all(fits(desk)).find(
      (x) => x.mount === 'top' && x.radiator === 'rad-tarn-360-27' && x.faces === 'interior',
    ) as FitChoice;
    const then = hung(desk, c);
    expect(findComponent(then, 'top-radiator')?.part.id).toBe('rad-tarn-360-27');
    expect(then.loops[0]?.connections).toEqual(desk.loops[0]?.connections);
    expect(
      then.components.find(
        (i) => i.placement.on === 'radiator' && i.placement.component === 'top-radiator',
      )?.settings.speed_rpm,
    ).toBe(1150);
  });

  test('a new one is let into the loop', () => {
    const free: Design = applyEdit(desk, {
      do: 'component.remove',
      component: 'top-radiator',
    }).design;
    const c = all(whatFits(free, CATALOGUE)).find(
      (x) => x.mount === 'top' && x.radiator === 'rad-tarn-240-30' && x.verdict === 'clear',
    ) as FitChoice;
    const w = analyse(hung(free, c));
    expect(w.system.loops[0]?.stations).toContain('top-radiator');
    expect(w.system.loops[0]?.closed).toBe(true);
  });

  test('fans outside the panel are tried where the cover leaves 28 mm: 25 mm fans and a 1.2 mm sheet go, 38 mm ones do not; the stack inside is the radiator alone', () => {
    const outside = all(fits(desk)).filter((c) => c.faces === 'outside');
    expect(new Set(outside.map((c) => c.mount))).toEqual(new Set(['front']));
    for (const c of outside) {
      expect(
        (CATALOGUE.find((p) => p.id === c.fan) as { size: readonly number[] }).size[2],
      ).toBeLessThanOrEqual(25);
      expect(c.stack_mm).toBe(
        (CATALOGUE.find((p) => p.id === c.radiator) as { size: readonly number[] }).size[2],
      );
    }
    // Hung, the fans stand outside the frame and the radiator against it.
    const choice = outside.find((c) => c.radiator === 'rad-tarn-360-27') as FitChoice,
      after = applyEdit(desk, hangEdit(desk, choice, CATALOGUE)).design;
    expect(
      after.components.filter(
        (i) => i.placement.on === 'radiator' && i.placement.face === 'outside',
      ),
    ).toHaveLength(1);
    const [frame] = measureGaps(compileSystem(after)).gaps.filter((g) => g.verdict === 'clash');
    expect(frame).toBeUndefined();
  });
});
