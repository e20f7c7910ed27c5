import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import { secondPump, splitEdit } from '../loops';
import { teedTower } from '@/catalogue/teedTower.fixture';
import type { PumpPart } from '../components';
import {
  isBeside,
  pumpChoice,
  pumpChoices,
  pumpEdit,
  compareSeriesParallel,
  type SeriesParallel,
} from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = teedTower;
const tee = catalogued('inline', 'inl-tee');
const w = analyse(desk);
const at = w.reports.flow.loops[0]?.coolant_C ?? 30;
const large = catalogued('pump', 'pump-osier-large'),
  small = catalogued('pump', 'pump-brook-small');
const edited = (design: Design, ...edits: (Edit | null)[]): Design =>
  edits.reduce<Design>((b, e) => (e ? applyEdit(b, e).design : b), design);
const ask = (
  part: PumpPart,
  way: 'one' | 'series' | 'parallel' = 'one',
  of = w,
  loop = 'loop',
): NonNullable<ReturnType<typeof pumpChoice>> => {
  const row = pumpChoice(of.system, of.reports.runs, of.thermalModel, loop, at, part, way);
  if (!row) throw new Error('no pump to replace');
  return row;
};

describe('which pump', () => {
  test('what is foretold for another pump is what the build with it does', () => {
    const compact = catalogued('pump', 'pump-brook-compact');
    const row = ask(compact);
    const real = analyse(
      edited(
        desk,
        { do: 'component.replace', component: 'pump', part: compact },
        { do: 'component.set', component: 'pump', values: { speed_rpm: row.speed_rpm ?? 0 } },
      ),
    );
    const loop = real.reports.flow.loops[0];
    expect(loop?.flow_Lmin).toBeCloseTo(row.flow_Lmin ?? NaN, 1);
    expect(loop?.flow_Lmin ?? 0).toBeGreaterThanOrEqual(desk.brief.limits.flow_Lmin - 0.02);
    const report = real.reports.heat[desk.brief.loadCase];
    const room = Math.min(
      ...report.hotSpots.filter((s) => s.cooledBy).map((s) => s.limit_C - (s.temp_C ?? NaN)),
    );
    expect(room).toBeCloseTo(row.headroom_K ?? NaN, 1);
    expect(report.noise_dBA).toBeCloseTo(row.allNoise_dBA, 1);
  });

  test('one step slower and the wanted flow is missed', () => {
    const row = ask(large);
    const slower = analyse(
      edited(desk, {
        do: 'component.set',
        component: 'pump',
        values: { speed_rpm: (row.speed_rpm ?? 0) * 0.985 },
      }),
    );
    expect(slower.reports.flow.loops[0]?.flow_Lmin ?? 9).toBeLessThan(desk.brief.limits.flow_Lmin);
  });

  /**
   * Series pumps add heads, parallel pumps add flows (any pump handbook): neither moves less than
   * one alone.
   */
  test('two never move less than one, and a second in the row is foretold as it is built', () => {
    for (const part of [large, small])
      for (const way of ['series', 'parallel'] as const)
        expect(ask(part, way).fullFlow_Lmin).toBeGreaterThan(ask(part).fullFlow_Lmin);
    const two = analyse(
      edited(
        desk,
        secondPump(desk, 'loop', 'pump', large, 'series', null, { on: 'unplaced' }),
        { do: 'component.set', component: 'pump', values: { speed_rpm: 4800 } },
        { do: 'component.set', component: 'pump-2', values: { speed_rpm: 4800 } },
      ),
    );
    // The built one has a further tube between the pumps.
    expect(
      Math.abs(
        (two.reports.flow.loops[0]?.flow_Lmin ?? NaN) / ask(large, 'series').fullFlow_Lmin - 1,
      ),
    ).toBeLessThan(0.06);
  });

  test('running slower never cools better, and costs little here', () => {
    const row = ask(large);
    expect(row.slowerCosts_K ?? -1).toBeGreaterThanOrEqual(0);
    expect(row.slowerCosts_K ?? 99).toBeLessThan(5);
  });

  test('a pump that is too small says so: no speed, a margin below nothing', () => {
    const hard = analyse(edited(desk, { do: 'brief.limit', values: { flow_Lmin: 12 } }));
    const row = ask(small, 'one', hard);
    expect(row.speed_rpm).toBeNull();
    expect(row.slowerCosts_K).toBeNull();
    expect(row.margin ?? 1).toBeLessThan(0);
  });

  test('the list puts those that reach first, quietest first, and can be stopped', () => {
    const pumps = [small, large, catalogued('pump', 'pump-brook-tall')];
    let reported = 0;
    const rows = pumpChoices(w.system, w.reports.runs, 'loop', at, pumps, (done, of) => {
      reported = done;
      return of === 9;
    });
    expect([rows.length, reported]).toEqual([9, 9]);
    const reach = rows.map((r) => r.speed_rpm !== null);
    expect([...reach].sort((a, b) => Number(b) - Number(a))).toEqual(reach);
    const noises = rows.filter((r) => r.speed_rpm !== null).map((r) => r.noise_dBA);
    expect([...noises].sort((a, b) => a - b)).toEqual(noises);
    expect(
      pumpChoices(w.system, w.reports.runs, 'loop', at, pumps, (done) => done < 2).length,
    ).toBe(2);
  });

  test('a loop with two pumps side by side: both give way to the one asked about', () => {
    const pair = analyse(
      edited(desk, secondPump(desk, 'loop', 'pump', large, 'parallel', tee, { on: 'unplaced' })),
    );
    const row = ask(large, 'one', pair);
    expect(row.fullFlow_Lmin / ask(large).fullFlow_Lmin).toBeGreaterThan(0.85);
    expect(row.fullFlow_Lmin).toBeLessThan(ask(large).fullFlow_Lmin);
  });

  test.each(['one', 'series', 'parallel'] as const)(
    'what the chooser makes of the build, %s, reaches the flow',
    (way) => {
      const medium = catalogued('pump', 'pump-osier-medium');
      const built = analyse(
        edited(
          desk,
          pumpEdit(
            desk,
            { loop: 'loop', part: medium, way, aim: 'brief' },
            { tee, places: () => [{ on: 'unplaced' }] },
          ),
        ),
      );
      expect(built.reports.flow.pumps.length).toBe(way === 'one' ? 1 : 2);
      expect(
        (built.reports.flow.loops[0]?.flow_Lmin ?? 0) / desk.brief.limits.flow_Lmin,
      ).toBeGreaterThan(0.999);
      const back = edited(
        built.system.design,
        pumpEdit(
          built.system.design,
          { loop: 'loop', part: large, way: 'one', aim: 'brief' },
          { tee, places: () => [{ on: 'unplaced' }] },
        ),
      );
      expect(
        back.components.filter((i) => i.part.kind === 'pump' || i.part.kind === 'inline').length,
      ).toBe(1);
      // The joint between reservoir and pump came back as a tube.
      expect(
        (analyse(back).reports.flow.loops[0]?.flow_Lmin ?? NaN) /
          (w.reports.flow.loops[0]?.flow_Lmin ?? NaN),
      ).toBeGreaterThan(0.95);
    },
  );

  test('without a pump there is nothing to ask', () => {
    const none = analyse(edited(desk, { do: 'component.remove', component: 'pump' }));
    expect(
      pumpChoice(none.system, none.reports.runs, none.thermalModel, 'loop', at, large, 'one'),
    ).toBeNull();
  });
});

describe('one behind the other or side by side', () => {
  const school = compareSeriesParallel(
    tower,
    'loop-2',
    ['card-block-a', 'card-block-b'],
    tee,
  ) as SeriesParallel;

  test('side by side each gets half or so, in a row each gets all', () => {
    const [a, b] = school.beside.parts;
    expect((a?.flow_Lmin ?? 0) + (b?.flow_Lmin ?? 0)).toBeCloseTo(school.beside.flow_Lmin, 4);
    for (const p of school.row.parts) expect(p.flow_Lmin).toBeCloseTo(school.row.flow_Lmin, 4);
    expect(school.beside.flow_Lmin).toBeGreaterThan(school.row.flow_Lmin);
    expect(a?.flow_Lmin ?? 9).toBeLessThan(school.row.flow_Lmin);
  });

  test('the demo stands side by side already; the other way is one edit, and does what was shown', () => {
    expect(school.beside.edit).toBeNull();
    const row = analyse(edited(tower, school.row.edit));
    const loop = row.reports.flow.loops.find((l) => l.id === 'loop-2');
    expect(loop?.flow_Lmin).toBeCloseTo(school.row.flow_Lmin, 4);
    expect(row.reports.flow.links.filter((l) => l.component?.startsWith('tee'))).toEqual([]);
  });

  test('and back again from the row', () => {
    const row = edited(tower, school.row.edit);
    const second = compareSeriesParallel(
      row,
      'loop-2',
      ['card-block-a', 'card-block-b'],
      tee,
    ) as SeriesParallel;
    expect(second.row.edit).toBeNull();
    const beside = analyse(edited(row, second.beside.edit));
    expect(beside.reports.flow.loops.find((l) => l.id === 'loop-2')?.flow_Lmin).toBeCloseTo(
      second.beside.flow_Lmin,
      4,
    );
    expect(
      isBeside(edited(row, second.beside.edit), 'loop-2', ['card-block-a', 'card-block-b']),
    ).toBe(true);
    expect(isBeside(row, 'loop-2', ['card-block-a', 'card-block-b'])).toBe(false);
  });

  /**
   * A block's resistance rises as its flow falls: a strong pump favours the row, a weak one against
   * stiff blocks the split (common practice, no source).
   */
  test('the winner is told by the room under the limits', () => {
    const rowRoom = school.row.headroom_K ?? NaN,
      besideRoom = school.beside.headroom_K ?? NaN;
    expect(school.by_K).toBeCloseTo(Math.abs(besideRoom - rowRoom), 9);
    const betterSchool = () => {
      if (Math.abs(besideRoom - rowRoom) < 0.1) return 'same';
      if (besideRoom > rowRoom) return 'beside';
      return 'row';
    };
    expect(school.better).toBe(betterSchool());
    const stiff = edited(
      tower,
      ...['card-block-a', 'card-block-b'].map((component): Edit => ({
        do: 'component.curve',
        component,
        of: 1,
        points: [
          [1, 6],
          [2, 24],
          [4, 96],
        ],
      })),
    );
    const weak = compareSeriesParallel(
      stiff,
      'loop-2',
      ['card-block-a', 'card-block-b'],
      tee,
    ) as SeriesParallel;
    expect(weak.better).toBe('beside');
  });

  test('what cannot be set side by side says why', () => {
    expect(compareSeriesParallel(desk, 'loop', ['card-block'], tee)).toEqual({
      why: 'It takes two parts or more.',
    });
    expect(compareSeriesParallel(desk, 'ghost', ['card-block', 'processor-block'], tee)).toEqual({
      why: 'There is no such loop.',
    });
    expect(
      compareSeriesParallel(
        desk,
        'loop',
        ['card-block', 'processor-block'],
        catalogued('inline', 'inl-valve'),
      ),
    ).toEqual({ why: 'These parts cannot be set in parallel.' });
    const open = edited(desk, {
      do: 'connection.remove',
      loop: 'loop',
      connection: desk.loops[0]?.connections.find((l) => l.to.component === 'card-block')?.id ?? '',
    });
    expect(compareSeriesParallel(open, 'loop', ['card-block', 'processor-block'], tee)).toEqual({
      why: 'Card block has not one run in and one out.',
    });
  });

  test('three at once through four tees', () => {
    const design = edited(
      desk,
      splitEdit(desk, 'loop', ['card-block', 'processor-block', 'top-radiator'], tee),
    );
    const { flow } = analyse(design).reports;
    const through = ['card-block', 'processor-block', 'top-radiator'].map(
      (i) => flow.links.find((l) => l.component === i)?.flow_Lmin ?? NaN,
    );
    expect(design.components.filter((i) => i.part.kind === 'inline').length).toBe(4);
    expect(through.reduce((a, b) => a + Math.abs(b), 0)).toBeCloseTo(
      flow.loops[0]?.flow_Lmin ?? NaN,
      5,
    );
  });
});
