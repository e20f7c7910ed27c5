import { describe, expect, test } from '@jest/globals';
import { catalogued, CATALOGUE, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { CoolantPart, Part } from '../components';
import type { Design } from '../design';
import { compileSystem } from '../system';
import {
  changeEvery,
  coolantCost,
  coolantHabits,
  growthVerdict,
  leadTimes,
  loopExpansion,
  loopVolume,
  mixFor,
  reservoirsOf,
  type Expansion,
} from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const [loop] = desk.loops as [Design['loops'][number]];
const coolant = (more: Partial<CoolantPart>): CoolantPart => ({
  ...loop.coolant,
  bottle_mL: 1000,
  price_minor: 1500,
  inhibitor_months: 24,
  ...more,
});

/** Half of what loops are tested at, and what they are tested at (common practice, no source). */
test.each([
  [0.2, 'ok'],
  [0.25, 'ok'],
  [0.26, 'marginal'],
  [0.5, 'marginal'],
  [0.51, 'fails'],
] as const)('a loop that rises by %p bar when warm: %s', (rises_bar, verdict) => {
  expect(growthVerdict({ rises_bar } as Expansion)).toBe(verdict);
});

test('a coolant without biocide: a dose for each litre, from one bottle', () => {
  const bare: Design = {
    ...desk,
    loops: [{ ...loop, coolant: { ...loop.coolant, biocide: false } }],
  };
  const dose = (design: Design) =>
    analyse(design, { offer: CATALOGUE }).reports.bom.lines.find((l) => /has none/.test(l.why));
  expect(dose(desk)).toBeUndefined();
  expect(dose(bare)?.quantity).toBe(1);
});

describe('what to pour together, by hand', () => {
  test.each([
    // One to three of 1,200 mL: 300 of concentrate, 900 of water, one bottle.
    [{ waterParts: 3 }, 1200, 300, 900, 1],
    // Ready to use: two bottles for 1,200 mL, one for exactly 1,000.
    [{ waterParts: 0 }, 1200, 1200, 0, 2],
    [{ waterParts: 0 }, 1000, 1000, 0, 1],
    [{ waterParts: 0 }, 1001, 1001, 0, 2],
    [{ waterParts: 0 }, 0, 0, 0, 0],
  ] as const)('%j for %d mL', (more, volume, concentrate_mL, water_mL, bottles) => {
    const { waterParts: _ready, ...plain } = coolant({});
    expect(mixFor({ ...plain, ...more }, volume)).toEqual({ concentrate_mL, water_mL, bottles });
  });

  /** Three years: every 24 months is 1.5 fills, so 2; without an inhibitor every 12, so 3. */
  test('fills and costs over three years', () => {
    const { waterParts: _ready, ...plain } = coolant({});
    expect(changeEvery(plain)).toBe(24);
    expect(coolantCost(plain, 1200)).toEqual({
      fills: 2,
      total_minor: 2 * 2 * 1500,
      perLitre_minor: 1500,
    });
    const bare = { ...plain, inhibitor_months: 0 };
    expect(changeEvery(bare)).toBe(12);
    expect(coolantCost(bare, 900)).toEqual({ fills: 3, total_minor: 4500, perLitre_minor: 1500 });
    expect(coolantCost({ ...plain, inhibitor_months: 36 }, 900).fills).toBe(1);
    // A bottle of concentrate that makes four litres.
    expect(coolantCost({ ...plain, waterParts: 3 }, 900).perLitre_minor).toBe(375);
  });

  test('what is dyed settles, what is opaque clogs', () => {
    expect(coolantHabits(coolant({ look: 'clear' }))).toEqual({ stains: 'no', clogs: 'no' });
    expect(coolantHabits(coolant({ look: 'dyed' }))).toEqual({
      stains: 'soft tube',
      clogs: 'may settle',
    });
    expect(coolantHabits(coolant({ look: 'opaque' }))).toEqual({
      stains: 'much',
      clogs: 'fine fins and filters',
    });
  });
});

describe('what a loop holds and how it grows', () => {
  const { reports, system } = analyse(desk);

  test('parts of the loop, the reservoir to its fill, tubes by bore and cut; a sixth and more to spare', () => {
    const touched = new Set(loop.connections.flatMap((c) => [c.from.component, c.to.component]));
    const parts = desk.components.reduce((sum, { id, part }) => {
      if (!touched.has(id) || !('volume_mL' in part)) return sum;
      return sum + (part.kind === 'reservoir' ? part.fill_mL : part.volume_mL);
    }, 0);
    const tubes = reports.runs.reduce((sum, r) => sum + r.volume_mL, 0);
    const volume = loopVolume(system, loop, reports.runs);
    expect(volume.parts_mL).toBeCloseTo(parts, 9);
    expect(volume.tubes_mL).toBeCloseTo(tubes, 9);
    expect(volume.total_mL).toBeCloseTo(parts + tubes, 9);
    expect(volume.buy_mL).toBeCloseTo(1.15 * (parts + tubes), 9);
    // A run of another loop is not in it.
    const other = reports.runs.map((r) => ({ ...r, loop: 'other' }));
    expect(loopVolume(system, loop, other).tubes_mL).toBe(0);
  });

  test('air over the fill of the reservoirs that the loop meets, and its own tubes, take the growth', () => {
    const [reservoir] = reservoirsOf(desk, loop);
    const grown = loopExpansion(system, loop, reports.runs, 600, 45);
    expect(grown?.air_mL).toBe((reservoir?.volume_mL ?? NaN) - (reservoir?.fill_mL ?? NaN));
    expect(grown?.cold_C).toBe(desk.brief.room_C);
    const apart = { ...loop, connections: [] };
    expect(reservoirsOf(desk, apart)).toEqual([]);
    expect(loopExpansion(system, apart, reports.runs, 600, 45)).toBeNull();
    // Hard tube gives next to nothing, soft tube a good deal.
    const withTube = (id: string) => {
      const own = { ...loop, tube: catalogued('tube', id) };
      return loopExpansion(compileSystem({ ...desk, loops: [own] }), own, reports.runs, 600, 45);
    };
    const hard = withTube('tube-acrylic-14-10'),
      soft = withTube('tube-soft-13-10');
    expect(soft?.swells_mL ?? NaN).toBeGreaterThan(50 * (hard?.swells_mL ?? NaN));
    expect(soft?.rises_bar ?? NaN).toBeLessThan(hard?.rises_bar ?? NaN);
  });
});

describe('which step is delayed until what', () => {
  const part = (kind: Part['kind'], duty?: string): Part => {
    const found = CATALOGUE.find(
      (p) => p.kind === kind && (duty === undefined || ('duty' in p && p.duty === duty)),
    );
    if (!found) throw new Error(`no ${kind} ${duty ?? ''}`);
    return found;
  };
  const stepFor = (p: Part): string | undefined =>
    leadTimes([{ part: p, days: 5 }]).find((s) => s.by.length > 0)?.step;

  test.each([
    ['coolant', undefined, 'filling'],
    ['tube', undefined, 'runs'],
    ['fitting', 'compression', 'runs'],
    ['fitting', 'rotary90', 'runs'],
    ['fitting', 'plug', 'air test'],
    ['inline', undefined, 'runs'],
    ['radiator', undefined, 'mounting'],
    ['pump', undefined, 'mounting'],
  ] as const)('%s %s holds up %s', (kind, duty, step) => {
    expect(stepFor(part(kind, duty))).toBe(step);
  });

  test('a step is done no sooner than the one before it, and names what came last', () => {
    const steps = leadTimes([
      { part: part('radiator'), days: 6 },
      { part: part('pump'), days: 2 },
      { part: part('tube'), days: 4 },
      { part: part('coolant'), days: 9 },
    ]);
    const of = (step: string) => steps.find((s) => s.step === step);
    expect(of('mounting')).toMatchObject({ day: 6, by: [part('radiator').name] });
    expect(of('runs')).toMatchObject({ day: 6, by: [] });
    expect(of('filling')).toMatchObject({ day: 9, by: [part('coolant').name] });
  });
});
