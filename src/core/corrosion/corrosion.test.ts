import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import type { Design } from '../design';
import type { Metal } from '../components';
import {
  environmentOf,
  judgeCorrosion,
  judgePair,
  METAL_VERDICTS,
  pairFacts,
  type Environment,
} from '.';

const box = demoDesign('pocket-planetarium') as Design;
const desk = demoDesign('dawn-chorus-desk') as Design;
/** Two legs of 30 and 40 mm. */
const square: Design['layout']['routes'][string] = {
  corners: [
    [0, 0, 0],
    [30, 0, 0],
    [30, 40, 0],
  ],
  radius_mm: 20,
  from: { piece: 'straight', direction: [1, 0, 0] },
  to: { piece: 'straight', direction: [0, -1, 0] },
  kept_mm: 0,
  router: 0,
};

describe('pairs', () => {
  test('copper, brass and nickel pass even without an inhibitor', () => {
    expect(judgePair('copper', 'nickel', 'harsh').allowed).toBe(true);
    expect(judgePair('copper', 'brass', 'harsh').allowed).toBe(true);
    expect(judgePair('brass', 'nickel', 'harsh').allowed).toBe(true);
  });

  test('the less noble one dissolves, whichever comes first', () => {
    expect(judgePair('copper', 'aluminium', 'ordinary').dissolves).toBe('aluminium');
    expect(judgePair('aluminium', 'copper', 'ordinary').dissolves).toBe('aluminium');
  });

  test('a pair right on the limit is allowed and flagged', () => {
    const pair = judgePair('copper', 'stainless', 'harsh');
    expect(pair).toMatchObject({ allowed: true, onLimit: true });
  });
});

describe('what speaks against a pair', () => {
  const first = (a: Metal, b: Metal, environment: Environment): string | null =>
    METAL_VERDICTS.find((v) => v.applies(pairFacts(a, b, environment)))?.id ?? null;

  /**
   * Differences by hand from the reprinted index (MIL-STD-889 / MIL-F-14072, from memory): 0.55,
   * 0.60, 0.25, 0.30, 0.20, 0.15, 0.05, 0.35 V.
   */
  test.each([
    ['copper', 'aluminium', 'ordinary', 'aluminium'],
    ['nickel', 'aluminium', 'controlled', 'aluminium'],
    ['tin', 'aluminium', 'ordinary', 'at-limit'],
    ['copper', 'tin', 'ordinary', 'apart'],
    ['nickel', 'stainless', 'harsh', 'uninhibited'],
    ['nickel', 'stainless', 'ordinary', null],
    ['silver', 'nickel', 'ordinary', 'silver-nickel'],
    ['silver', 'nickel', 'harsh', 'silver-nickel'],
    ['copper', 'stainless', 'harsh', 'at-limit'],
    ['copper', 'brass', 'harsh', null],
    ['aluminium', 'zinc', 'ordinary', 'apart'],
    ['copper', 'anodisedAluminium', 'controlled', 'aluminium'],
    ['copper', 'steel', 'ordinary', 'apart'],
    ['nickel', 'stainless316', 'ordinary', null],
    ['silverSolder', 'copper', 'harsh', null],
    ['silver', 'nickelPhosphorus', 'ordinary', 'silver-nickel'],
    ['copper', 'other', 'ordinary', 'not-judged'],
  ] as const)('%s with %s, %s: %s', (a, b, environment, why) => {
    expect(first(a, b, environment)).toBe(why);
    expect(first(b, a, environment)).toBe(why);
  });

  test('each has its words and a source, and its own id', () => {
    expect(new Set(METAL_VERDICTS.map((v) => v.id)).size).toBe(METAL_VERDICTS.length);
    for (const v of METAL_VERDICTS) {
      expect(v.because).toMatch(/\.$/);
      expect(v.source.length).toBeGreaterThan(10);
    }
  });
});

describe("a loop's metals", () => {
  test('the aluminium radiator fails against copper and nickel', () => {
    const { pairs } = judgeCorrosion(box);
    const failing = pairs.filter((p) => p.verdict === 'fails');
    expect(failing.map((p) => p.dissolves)).toEqual(failing.map(() => 'aluminium'));
    expect(failing.length).toBe(2);
    expect(failing[0]?.carriers.aluminium).toEqual(['top-radiator']);
  });

  test('an inhibitor does not save aluminium beside copper', () => {
    const coolant = desk.loops[0]?.coolant;
    const inhibited = {
      ...box,
      loops: box.loops.map((l) => ({ ...l, coolant: coolant ?? l.coolant })),
    };
    expect(environmentOf(inhibited.loops[0] as Design['loops'][number])).toBe('ordinary');
    expect(judgeCorrosion(inhibited).pairs.some((p) => p.verdict === 'fails')).toBe(true);
  });

  test('an inhibitor out of date counts as none', () => {
    const loop = desk.loops[0] as Design['loops'][number];
    expect(environmentOf(loop)).toBe('ordinary');
    expect(environmentOf({ ...loop, coolantAge_months: loop.coolant.inhibitor_months })).toBe(
      'harsh',
    );
  });

  test('dry parts never count: a radiator in no loop', () => {
    expect(judgeCorrosion({ ...box, loops: [] }).metals).toEqual([]);
  });

  test('plating counts as its plating and names the base', () => {
    const nickel = judgeCorrosion(desk).metals.find((m) => m.metal === 'nickel');
    expect(nickel?.platedOver).toEqual(expect.arrayContaining(['copper', 'brass']));
  });

  test('the area ratio is what dissolves over the nobler', () => {
    const pair = judgeCorrosion(box).pairs.find(
      (p) => p.dissolves === 'aluminium' && (p.a === 'copper' || p.b === 'copper'),
    );
    const areas = judgeCorrosion(box).metals;
    const of = (m: string): number => areas.find((x) => x.metal === m)?.area_mm2 ?? NaN;
    expect(pair?.areaRatio).toBeCloseTo(of('aluminium') / of('copper'), 9);
  });

  test('silver beside nickel is marginal', () => {
    const loop = desk.loops[0] as Design['loops'][number];
    const silver = {
      ...desk,
      loops: [
        {
          ...loop,
          fitting: { ...loop.fitting, wetted: [{ metal: 'silver' as const, area_mm2: 100 }] },
        },
      ],
    };
    expect(
      judgeCorrosion(silver).pairs.find(
        (p) => [p.a, p.b].includes('silver') && [p.a, p.b].includes('nickel'),
      )?.verdict,
    ).toBe('marginal');
  });

  /** By hand: 12/10 tube wets π · 10 mm of copper for each mm; 300 mm a run where none is laid. */
  test('copper tube wets copper, by the length of its runs; a plastic is judged as one no more', () => {
    const [loop] = desk.loops as [Design['loops'][number]];
    const tube = catalogued('tube', 'tube-copper-12-10');
    const design = { ...desk, loops: [{ ...loop, tube }], layout: { ...desk.layout, routes: {} } };
    const tubes = loop.connections.filter((c) => c.by === 'tube').length;
    const carried = judgeCorrosion(design).metals.flatMap((m) =>
      m.carriers.filter((c) => c.component === 'tube:tube-copper-12-10').map((c) => [m.metal, c]),
    );
    expect(carried).toHaveLength(1);
    expect(carried[0]).toMatchObject(['copper', { area_mm2: Math.PI * 10 * 300 * tubes }]);
    expect(
      judgeCorrosion(design).polymers.some((p) => p.carriers.some((c) => c.as === 'tube')),
    ).toBe(false);
    const laid = {
      ...design,
      layout: {
        ...design.layout,
        routes: { [loop.connections.find((c) => c.by === 'tube')?.id ?? '']: square },
      },
    };
    const area = judgeCorrosion(laid)
      .metals.flatMap((m) => m.carriers)
      .find((c) => c.component === 'tube:tube-copper-12-10')?.area_mm2;
    expect(area).toBeCloseTo(Math.PI * 10 * (300 * (tubes - 1) + 70), 6);
  });

  test('areas: every wet part in the loop, two fittings a tube, and the caps', () => {
    const [loop] = desk.loops as [Design['loops'][number]];
    const touched = new Set([
      ...loop.connections.flatMap((c) => [c.from.component, c.to.component]),
      ...loop.caps.map((c) => c.component),
    ]);
    const tubes = loop.connections.filter((c) => c.by === 'tube').length;
    const surfaces = [
      ...desk.components.flatMap((c) =>
        touched.has(c.id) && 'wetted' in c.part ? c.part.wetted.map((w) => [w, 1] as const) : [],
      ),
      ...loop.fitting.wetted.map((w) => [w, 2 * tubes] as const),
      ...loop.caps.flatMap((c) => desk.kit[c.with].wetted.map((w) => [w, 1] as const)),
    ];
    for (const { metal, area_mm2, carriers } of judgeCorrosion(desk).metals) {
      const sum = surfaces.reduce((t, [w, n]) => t + (w.metal === metal ? n * w.area_mm2 : 0), 0);
      expect([metal, area_mm2]).toEqual([metal, sum]);
      // Carriers are told once each, with all they have of it.
      expect(new Set(carriers.map((c) => c.component)).size).toBe(carriers.length);
      expect(carriers.reduce((t, c) => t + c.area_mm2, 0)).toBe(sum);
    }
    // The processor's own part is dry, and so is a part that hangs in no loop.
    const carried = judgeCorrosion(desk).metals.flatMap((m) => m.carriers.map((c) => c.component));
    expect(carried.filter((id) => !id.startsWith('fitting:') && !touched.has(id))).toEqual([]);
  });

  test('the anode is told as such, whichever of the two comes first in the table', () => {
    for (const { a, b, dissolves, areaRatio, loop } of judgeCorrosion(box).pairs) {
      const areaOf = (metal: Metal): number =>
        judgeCorrosion(box).metals.find((m) => m.loop === loop && m.metal === metal)?.area_mm2 ??
        NaN;
      expect(areaRatio).toBeCloseTo(areaOf(dissolves) / areaOf(dissolves === a ? b : a), 9);
    }
  });
});
