import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, catalogued, DEMO_BUILDS, demoDesign, STANDARD_KIT } from '@/catalogue';
import { applyEdit, emptyDesign, type Component, type Design, type Edit } from '../design';
import { familyChange, familyOf } from '../studies';
import { analyse } from '../analysis';
import { proposeLoop } from '../loops';
import { isWet, type FittingPart, type ComponentPart, type PartKind } from '../components';
import { pieceOf } from '../tubing';

const of = <K extends PartKind>(kind: K) =>
  CATALOGUE.filter((p) => p.kind === kind) as Extract<(typeof CATALOGUE)[number], { kind: K }>[];
const FITTINGS = of('fitting');

/**
 * Every port of every part in a loop is on the list: by a fitting of its run, by half of a joint,
 * or by its cap; each thread and size matches what it meets.
 */
function holes(design: Design): readonly string[] {
  const wrong: string[] = [],
    { bom: list, runs } = analyse(design).reports;
  const bought = (part: string): number =>
    list.lines.filter((l) => l.part === part).reduce((s, l) => s + l.quantity, 0);
  const asked = new Map<string, number>(),
    want = (part: FittingPart): void => {
      asked.set(part.id, (asked.get(part.id) ?? 0) + 1);
    };
  for (const component of design.components) {
    if (!isWet(component.part)) continue;
    const loop = design.loops.find((l) =>
      l.connections.some(
        (k) => k.from.component === component.id || k.to.component === component.id,
      ),
    );
    if (!loop) continue;
    for (const port of component.part.ports) {
      const connection = design.loops
        .flatMap((l) => l.connections)
        .find(
          (k) =>
            (k.from.component === component.id && k.from.port === port.id) ||
            (k.to.component === component.id && k.to.port === port.id),
        );
      const cap = design.loops
        .flatMap((l) => l.caps)
        .find((c) => c.component === component.id && c.port === port.id);
      if (!connection && !cap) {
        wrong.push(`${component.id}/${port.id} is neither connected nor plugged`);
        continue;
      }
      if (cap) {
        want(design.kit[cap.with]);
        if (design.kit[cap.with].thread !== port.thread)
          wrong.push(`${component.id}/${port.id}: cap of another thread`);
      }
    }
  }
  for (const run of runs) {
    const loop = design.loops.find((l) => l.id === run.loop) as Design['loops'][number];
    for (const f of run.fittings) want(pieceOf(run, f.duty, loop, design.kit));
    if (run.by === 'tube' && run.fittings.filter((f) => f.duty === loop.fitting.duty).length !== 2)
      wrong.push(`${run.id} has not two fittings`);
    if (
      run.by === 'tube' &&
      (loop.fitting.tube?.outer_mm !== loop.tube.outer_mm ||
        loop.fitting.tube.inner_mm !== loop.tube.inner_mm)
    )
      wrong.push(`${run.id}: fitting and tube differ`);
  }
  for (const [part, n] of asked)
    if (bought(part) !== n) wrong.push(`${part}: ${n} asked for, ${bought(part)} on the list`);
  for (const l of list.lines)
    if (l.kind === 'fitting' && !asked.has(l.part))
      wrong.push(`${l.part} is on the list, and nothing asks for it`);
  return wrong;
}

describe('the list is complete', () => {
  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))('%s', (_, design) => {
    expect(holes(design)).toEqual([]);
  });

  const index = fc.nat(1000),
    tubes = [
      ['tube-soft-13-10', 'fit-comp-13-10'],
      ['tube-petg-14-10', 'fit-hard-14'],
      ['tube-epdm-16-10', 'fit-mill-comp-16-10'],
      ['tube-acrylic-16-12', 'fit-rush-hard-16'],
    ] as const;
  test('random builds: whatever is connected is on it, and nothing else', () => {
    fc.assert(
      fc.property(
        index,
        index,
        index,
        fc.array(index, { minLength: 1, maxLength: 3 }),
        fc.array(index, { minLength: 1, maxLength: 3 }),
        fc.nat(3),
        (r, p, c, blocks, radiators, t) => {
          const pick = <K extends PartKind>(kind: K, n: number): ComponentPart => {
            const list = of(kind);
            return list[n % list.length] as unknown as ComponentPart;
          };
          const components: Component[] = [
            ['reservoir', pick('reservoir', r)],
            ['pump', pick('pump', p)],
            ...blocks.map((n, i) => [`block-${i}`, pick('block', n)] as const),
            ...radiators.map((n, i) => [`radiator-${i}`, pick('radiator', n)] as const),
          ].map(([id, part]) => ({
            id: id as string,
            name: id as string,
            part: part as ComponentPart,
            placement: { on: 'unplaced' },
            settings: {},
          }));
          const [tube, fitting] = tubes[t] as (typeof tubes)[number],
            bare: Design = { ...emptyDesign('Random', STANDARD_KIT), components };
          const edit = proposeLoop(bare, {
            name: 'Loop',
            components: components.map((i) => i.id),
            tube: catalogued('tube', tube),
            fitting: catalogued('fitting', fitting),
            coolant: of('coolant')[c % of('coolant').length] as Design['loops'][number]['coolant'],
          });
          if (edit) expect(holes(applyEdit(bare, edit).design)).toEqual([]);
        },
      ),
      { numRuns: 120 },
    );
  });

  test('another family: every run and cap follows, what it has no like for stays and is told', () => {
    for (const { design } of DEMO_BUILDS)
      for (const family of new Set(FITTINGS.map(familyOf))) {
        const { edit, stays } = familyChange(design, family, FITTINGS),
          after = applyEdit(design, edit).design;
        expect(holes(after)).toEqual([]);
        const parts = [
          ...after.loops.map((l) => l.fitting),
          ...(
            ['plug', 'drain', 'fill', 'maleToMale', 'rotary45', 'rotary90', 'extender'] as const
          ).map((d) => after.kit[d]),
        ];
        for (const f of parts) expect(familyOf(f) === family || stays.includes(f.name)).toBe(true);
      }
  });
});

describe('what the spare parts has is not bought', () => {
  const [{ design: desk }] = DEMO_BUILDS as [(typeof DEMO_BUILDS)[number]];
  test('three plugs there: three less to pay for, and the line says so', () => {
    const line = (b: Design) => analyse(b).reports.bom.lines.find((l) => l.part === 'fit-plug');
    const before = line(desk),
      after = line(applyEdit(desk, { do: 'inventory.set', part: 'fit-plug', count: 2 }).design);
    expect(after).toMatchObject({
      have: 2,
      quantity: before?.quantity,
      total: (before?.total ?? 0) - 2 * (before?.unitPrice ?? 0),
    });
  });

  test("tools are told by tubing and stand outside the loop's budget; one cutter serves two loops", () => {
    const tower = DEMO_BUILDS.find((d) => d.design.loops.length === 2)?.design as Design,
      { bom: list } = analyse(tower).reports,
      tools = list.lines.filter((l) => l.tool);
    expect(tools.map((l) => l.part)).toEqual(
      expect.arrayContaining([
        'sun-heat-gun',
        'sun-cutter',
        'sun-cord-12',
        'sun-mandrel-16',
        'sun-deburrer',
      ]),
    );
    expect(tools.every((l) => l.quantity === 1 && !l.inBudget)).toBe(true);
    expect(
      analyse(desk)
        .reports.bom.lines.filter((l) => l.tool)
        .map((l) => l.part),
    ).not.toContain('sun-heat-gun');
  });

  /**
   * 1 part to 3 by volume (common practice): 1,000 mL are 250 mL of concentrate and 750 mL of
   * water.
   */
  test('concentrate is mixed by volume, and its water is on the list', () => {
    const winter = applyEdit(desk, {
        do: 'loop.coolant',
        loop: 'loop',
        coolant: catalogued('coolant', 'cool-winter'),
        age_months: 0,
      }).design,
      { bom: list } = analyse(winter).reports,
      [volume] = list.volumes;
    const buy = volume?.buy_mL ?? 0;
    expect(list.lines.find((l) => l.part === 'cool-winter')?.quantity).toBe(
      Math.ceil(buy / 4 / 1000),
    );
    expect(list.lines.find((l) => l.part === 'sun-water')?.quantity).toBe(
      Math.ceil((0.75 * buy) / 1000),
    );
  });
});

describe('lines that no part asks for', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;

  test('written by hand they count against the budget, taken off they are gone; brackets sold apart are listed', () => {
    const listOf = (design: Design) => analyse(design).reports.bom;
    const put = (design: Design, ...edits: readonly Edit[]): Design =>
      edits.reduce((d, e) => applyEdit(d, e).design, design);
    const extra = { name: 'Light strip', quantity: 2, price_minor: 1290, note: 'amber' };
    const added = put(desk, { do: 'list.extra', id: 'line', extra });
    expect(listOf(added).loopTotal - listOf(desk).loopTotal).toBe(2580);
    expect(listOf(added).lines.find((l) => l.part === 'extra-line')).toMatchObject({
      name: 'Light strip',
      total: 2580,
      why: 'amber',
      inBudget: true,
    });
    expect(listOf(put(added, { do: 'list.extra', id: 'line', extra: null })).loopTotal).toBe(
      listOf(desk).loopTotal,
    );
    const wide = put(demoDesign('fenland-flood-tower') as Design, {
      do: 'component.replace',
      component: 'processor-block',
      part: catalogued('block', 'blk-quill-cpu'),
    });
    expect(listOf(wide).lines.find((l) => l.name === 'Quill Wide bracket')).toMatchObject({
      quantity: 1,
      estimated: true,
    });
    expect(listOf(desk).lines.some((l) => l.name.includes('bracket'))).toBe(false);
  });
});
