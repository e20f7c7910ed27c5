import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import type { Design } from '../design';
import { judgePolymer, judgePolymers, type Agent } from '.';
import type { PolymerMaterial } from '../components';

const desk = demoDesign('dawn-chorus-desk') as Design;

describe('plastics and rubbers against what coolants hold', () => {
  /**
   * Compound tables of O-ring handbooks (water-glycol: EPDM, nitrile, silicone and fluoro rubber
   * all satisfactory; isopropyl alcohol: nitrile fair; dioctyl phthalate: nitrile doubtful), from
   * memory.
   */
  test.each<[PolymerMaterial, Agent, number, string]>([
    ['EPDM rubber', 'ethylene glycol', 0.4, 'ok'],
    ['nitrile rubber', 'ethylene glycol', 0.4, 'ok'],
    ['silicone rubber', 'propylene glycol', 0.4, 'ok'],
    ['fluoro rubber', 'ethylene glycol', 0.4, 'ok'],
    ['EPDM rubber', 'alcohol', 0.3, 'ok'],
    ['nitrile rubber', 'alcohol', 0.3, 'marginal'],
    ['nitrile rubber', 'plasticiser', 0.001, 'marginal'],
  ])('%s in %s, share %d: %s', (material, agent, share, verdict) =>
    expect(judgePolymer(material, agent, share)).toBe(verdict),
  );

  /**
   * General chemical-resistance tables, from memory: alcohol crazes acrylic; acetal takes glycols
   * and alcohol. A third of glycol crazes acrylic under stress (common practice, no source).
   */
  test.each<[PolymerMaterial, Agent, number, string]>([
    ['acrylic', 'alcohol', 0.05, 'marginal'],
    ['acrylic', 'alcohol', 0.2, 'fails'],
    ['acrylic', 'propylene glycol', 0.1, 'ok'],
    ['acrylic', 'ethylene glycol', 0.35, 'fails'],
    ['acrylic', 'ethylene glycol', 0.3, 'marginal'],
    ['acetal', 'alcohol', 0.5, 'ok'],
    ['acetal', 'ethylene glycol', 0.5, 'ok'],
    ['glass', 'alcohol', 0.5, 'ok'],
  ])('%s in %s, share %d: %s', (material, agent, share, verdict) =>
    expect(judgePolymer(material, agent, share)).toBe(verdict),
  );

  /** Each share from which a material is watched, and from which it is not to be used. */
  test.each<[PolymerMaterial, Agent, number | null, number | null]>([
    ['nitrile rubber', 'alcohol', 0.1, 0.5],
    ['nylon', 'ethylene glycol', 1 / 3, null],
    ['nylon', 'propylene glycol', 1 / 3, null],
    ['nylon', 'alcohol', 0.1, null],
    ['acrylic', 'ethylene glycol', 0.25, 1 / 3],
    ['acrylic', 'propylene glycol', 0.25, 1 / 3],
    ['acrylic', 'alcohol', 0, 0.1],
    ['polycarbonate', 'ethylene glycol', 0.5, null],
    ['polycarbonate', 'propylene glycol', 0.5, null],
    ['polycarbonate', 'alcohol', 0.1, 0.5],
    ['polycarbonate', 'plasticiser', 0, null],
    ['silicone rubber', 'plasticiser', 0, null],
    ['nitrile rubber', 'plasticiser', 0, null],
    ['PETG', 'ethylene glycol', 1 / 3, null],
    ['PETG', 'propylene glycol', 1 / 3, null],
    ['PETG', 'alcohol', 0.1, 0.5],
    ['soft PVC', 'ethylene glycol', 0.5, null],
    ['soft PVC', 'propylene glycol', 0.5, null],
    ['soft PVC', 'alcohol', 0.05, 0.3],
    ['EPDM rubber', 'plasticiser', null, null],
    ['fluoro rubber', 'alcohol', null, null],
    ['PETG', 'plasticiser', null, null],
  ])('%s in %s: watched from %s, not from %s', (material, agent, watch, not) => {
    const at = (share: number) => judgePolymer(material, agent, share);
    if (watch === null) expect(at(1)).toBe('ok');
    else {
      if (watch > 0) expect(at(watch * 0.99)).toBe('ok');
      expect(at(watch)).toBe('ok');
      expect(at(watch * 1.01 + 1e-6)).toBe('marginal');
    }
    if (not === null) expect(at(1)).not.toBe('fails');
    else {
      expect(at(not)).toBe('marginal');
      expect(at(not * 1.01)).toBe('fails');
    }
  });

  test('none of it harms nothing', () => {
    for (const m of ['acrylic', 'nitrile rubber', 'polycarbonate'] as const)
      for (const a of ['alcohol', 'plasticiser', 'ethylene glycol'] as const)
        expect(judgePolymer(m, a, 0)).toBe('ok');
  });
});

describe("a loop's plastics and rubbers", () => {
  test('the kind of glycol and its share decide; the reason names it', () => {
    const [loop] = desk.loops as [Design['loops'][number]];
    const withGlycol = (glycol: 'ethylene' | 'propylene' | 'none', volumeShare: number) =>
      judgePolymers({
        ...desk,
        loops: [{ ...loop, coolant: { ...loop.coolant, base: { glycol, volumeShare } } }],
      }).find((p) => p.material === 'acrylic');
    expect(withGlycol('ethylene', 0.35)).toMatchObject({
      verdict: 'fails',
      because: expect.stringContaining('35 % ethylene glycol'),
    });
    expect(withGlycol('propylene', 0.3)).toMatchObject({
      verdict: 'marginal',
      because: expect.stringContaining('30 % propylene glycol'),
    });
    // A share is nothing without glycol.
    expect(withGlycol('none', 0.35)).toMatchObject({ verdict: 'ok', because: null });
  });

  test('soft tube gives off plasticiser, and only that is said of it', () => {
    const [loop] = desk.loops as [Design['loops'][number]];
    const soft = judgePolymers({
      ...desk,
      loops: [
        {
          ...loop,
          tube: catalogued('tube', 'tube-soft-13-10'),
          fitting: {
            ...loop.fitting,
            polymers: [{ material: 'nitrile rubber', as: 'seal' }],
          },
        },
      ],
    }).find((p) => p.material === 'nitrile rubber');
    expect(soft).toMatchObject({
      verdict: 'marginal',
      because: expect.stringMatching(/^plasticiser from the tube/),
    });
  });

  test('bodies, seals and tube of every part in the loop, each once', () => {
    const polymers = judgePolymers(desk),
      of = (m: string) => polymers.find((s) => s.material === m);
    expect(
      of('acrylic')?.carriers.some((c) => c.component === 'reservoir' && c.as === 'body'),
    ).toBe(true);
    expect(of('EPDM rubber')?.carriers.some((c) => c.component === 'pump' && c.as === 'seal')).toBe(
      true,
    );
    expect(polymers.flatMap((s) => s.carriers).filter((c) => c.as === 'tube').length).toBe(1);
    for (const s of polymers)
      expect(new Set(s.carriers.map((c) => `${c.component}/${c.as}`)).size).toBe(s.carriers.length);
  });

  test("what the coolant's own data say goes before the table", () => {
    const loop = desk.loops[0] as Design['loops'][number],
      worse = {
        ...desk,
        loops: [{ ...loop, coolant: { ...loop.coolant, attacks: ['EPDM rubber' as const] } }],
      };
    expect(judgePolymers(desk).find((s) => s.material === 'EPDM rubber')?.verdict).toBe('ok');
    expect(judgePolymers(worse).find((s) => s.material === 'EPDM rubber')).toMatchObject({
      verdict: 'fails',
      because: 'its own data say that it attacks it',
    });
  });

  test('soft PVC gives plasticiser to nitrile seals; rubber tube gives none', () => {
    const loop = desk.loops[0] as Design['loops'][number],
      nitrile = { ...loop, fitting: catalogued('fitting', 'fit-rush-comp-13-10') };
    const on = (tube: string) =>
      judgePolymers({ ...desk, loops: [{ ...nitrile, tube: catalogued('tube', tube) }] }).find(
        (s) => s.material === 'nitrile rubber',
      )?.verdict;
    expect(on('tube-soft-13-10')).toBe('marginal');
    expect(on('tube-epdm-13-10')).toBe('ok');
  });

  test('a part whose data do not tell is not judged, and one in no loop neither', () => {
    const silent = {
      ...desk,
      components: desk.components.map((i) =>
        'polymers' in i.part ? { ...i, part: { ...i.part, polymers: undefined } } : i,
      ),
    } as unknown as Design;
    expect(
      judgePolymers(silent)
        .flatMap((s) => s.carriers)
        .some((c) => c.component === 'reservoir'),
    ).toBe(false);
    expect(judgePolymers({ ...desk, loops: [] })).toEqual([]);
  });
});
