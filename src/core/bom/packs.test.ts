import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { ComponentPart, FanPart, Included } from '../components';
import { applyEdit, type Design, type Edit } from '../design';

const desk = demoDesign('dawn-chorus-desk') as Design,
  planetarium = demoDesign('pocket-planetarium') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const linesOf = (design: Design) => analyse(design).reports.bom.lines;
const lineOf = (design: Design, part: string) => linesOf(design).find((l) => l.part === part);
const fan = catalogued('fan', 'fan-wren-120-1500');
const withFan = (part: FanPart): Design =>
  edited(desk, { do: 'component.replace', component: 'front-fans', part });
const boxed = (includes: readonly Included[]): Design => ({
  ...desk,
  components: desk.components.map((c) =>
    c.id === 'reservoir' ? { ...c, part: { ...c.part, includes } as ComponentPart } : c,
  ),
});

describe('what is sold in packs, and what comes in boxes', () => {
  /** Three fans: one pack of three; two of two, one to spare; their price is the pack’s. */
  test('whole packs are bought', () => {
    const of = (soldIn: number) =>
      lineOf(withFan({ ...fan, id: 'fan-pack', price_minor: 4000, soldIn }), 'fan-pack');
    expect(of(3)).toMatchObject({ quantity: 1, unit: 'pack', total: 4000 });
    expect(of(2)).toMatchObject({ quantity: 2, unit: 'pack', total: 8000 });
    expect(of(2)?.why).toContain('1 to spare');
    expect(of(5)).toMatchObject({ quantity: 1, total: 4000 });
  });

  test('of what lies in the spare parts, less is bought', () => {
    const design = edited(withFan({ ...fan, id: 'fan-pack', price_minor: 4000, soldIn: 2 }), {
      do: 'inventory.set',
      part: 'fan-pack',
      count: 1,
    });
    expect(lineOf(design, 'fan-pack')).toMatchObject({ quantity: 1, total: 4000 });
  });

  test('plugs in a box are not bought again', () => {
    const before = lineOf(desk, desk.kit.plug.id)?.total ?? NaN;
    const { quantity = NaN } = lineOf(desk, desk.kit.plug.id) ?? {};
    const after = lineOf(boxed([{ what: desk.kit.plug.id, quantity: 2 }]), desk.kit.plug.id);
    expect(before - (after?.total ?? NaN)).toBe(2 * desk.kit.plug.price_minor);
    expect(after).toMatchObject({ quantity, have: 2 });
    const plenty = lineOf(boxed([{ what: desk.kit.plug.id, quantity: 99 }]), desk.kit.plug.id);
    expect(plenty).toMatchObject({ total: 0, have: quantity });
  });

  test('what lies in the box of the case is there once', () => {
    const plug = desk.kit.plug.id;
    if (!desk.case) throw new Error('the desk has a case');
    const design = { ...desk, case: { ...desk.case, includes: [{ what: plug, quantity: 1 }] } };
    expect(lineOf(design, plug)).toMatchObject({ have: 1 });
  });

  /** Three fans with four gaskets in each box are twelve; in one pack of three, four. */
  test('what is in a box comes as often as boxes are bought', () => {
    const gasket = catalogued('layer', 'lay-gasket-120-3');
    const includes = [{ what: gasket.id, quantity: 1 }];
    const gaskets = (more: Partial<FanPart>) => {
      const design = edited(withFan({ ...fan, id: 'fan-boxed', includes, ...more }), {
        do: 'component.set',
        component: 'front-fans',
        values: { layers: [gasket] },
      });
      return lineOf(design, gasket.id)?.have;
    };
    expect(gaskets({})).toBe(3);
    expect(gaskets({ soldIn: 3 })).toBe(1);
  });

  test('paste in a box is paste enough, screws in a box are screws', () => {
    const paste = (design: Design) => linesOf(design).filter((l) => l.part.startsWith('sun-paste'));
    expect(paste(desk)).toHaveLength(1);
    expect(paste(boxed([{ what: 'paste', quantity: 2 }]))).toHaveLength(0);
    const screws = linesOf(desk).find((l) => l.kind === 'screw');
    if (!screws) throw new Error('no screws');
    const wanted = Number(/^(\d+) screws/.exec(screws.why)?.[1]);
    const most = lineOf(boxed([{ what: screws.part, quantity: wanted - 1 }]), screws.part);
    expect(most?.quantity).toBe(1);
    expect(lineOf(boxed([{ what: screws.part, quantity: wanted }]), screws.part)).toBeUndefined();
  });
});

describe('what holds and feeds parts is on the list', () => {
  test('a part that stands free takes a bracket, or tape, or nothing, as its builder says', () => {
    const free = edited(desk, {
      do: 'component.place',
      component: 'reservoir',
      placement: { on: 'free', at: [330, 150, 115], turn: 0 },
    });
    const holding = (design: Design) =>
      linesOf(design)
        .filter((l) => l.why.includes('holds Reservoir'))
        .map((l) => l.part);
    const by = (heldBy: 'tape' | 'weight'): Design =>
      edited(free, { do: 'component.set', component: 'reservoir', values: { heldBy } });
    expect(holding(free)).toEqual(['sun-bracket-plate']);
    expect(holding(by('tape'))).toEqual(['sun-adhesive']);
    expect(holding(by('weight'))).toEqual([]);
    expect(holding(desk)).toEqual([]);
  });

  test('a card that stands wants a riser that reaches, outside the loop’s budget', () => {
    const riser = linesOf(planetarium).find((l) => l.part.startsWith('lead-riser'));
    expect(riser).toMatchObject({ part: 'lead-riser-200', quantity: 1, inBudget: false });
    expect(linesOf(desk).some((l) => l.part.startsWith('lead-riser'))).toBe(false);
    const far: Design = {
      ...planetarium,
      case: planetarium.case && {
        ...planetarium.case,
        riser: { at: [20, 20, 150] },
      },
    };
    const way = Number(/about (\d+) mm/.exec(lineOf(far, 'lead-riser-300')?.why ?? '')?.[1] ?? 0);
    expect(lineOf(far, 'lead-riser-200') === undefined).toBe(way > 200);
  });

  /** A lead of 100 mm and a splitter of 150 mm: what is missing comes as the shorter extension. */
  test('leads that are too short get an extension, no longer than it must be', () => {
    const short = withFan({ ...fan, id: 'fan-short', lead_mm: 20 });
    const { wiring, bom } = analyse(short).reports;
    const line = wiring.lines.find((l) => l.components.includes('front-fans'));
    expect(line?.reach_mm).toBe(20 + 150);
    expect(line?.way_mm).toBeGreaterThan(170);
    expect(line?.extension?.id).toBe('lead-extension-300');
    expect(bom.lines.find((l) => l.part === 'lead-extension-300')?.quantity).toBe(1);
    const known = analyse(withFan({ ...fan, id: 'fan-long', lead_mm: 900 })).reports.wiring;
    expect(known.lines.every((l) => l.extension === null)).toBe(true);
    const { lead_mm: _lead, ...untold } = fan;
    const line2 = analyse(withFan({ ...untold, id: 'fan-untold' })).reports.wiring.lines.find((l) =>
      l.components.includes('front-fans'),
    );
    expect([line2?.reach_mm, line2?.extension]).toEqual([null, null]);
  });
});
