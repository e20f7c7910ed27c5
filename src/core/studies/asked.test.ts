import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { FittingPart } from '../components';
import { applyEdit, withoutRoutes, type Design, type Edit } from '../design';
import { reorderLoop } from '../loops';
import { worstRise } from '../thermal';
import { familiesPriced, judgeSpeeds, orderPrice } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const FITTINGS = CATALOGUE.filter((p): p is FittingPart => p.kind === 'fitting');

describe('sets of speeds that are kept', () => {
  /** The same speed of all fans, kept by a name. */
  const keep = (id: string, speed_rpm: number): Edit => ({
    do: 'speeds.keep',
    id,
    profile: {
      name: id,
      speeds_rpm: Object.fromEntries(
        desk.components.filter((c) => c.part.kind === 'fan').map((c) => [c.id, speed_rpm]),
      ),
    },
  });
  const kept = applyEdit(desk, {
    do: 'batch',
    edits: [keep('night', 700), keep('day', 1200)],
  }).design;

  test('each comes to what the build comes to at these speeds', () => {
    for (const { id, rise_K, noise_dBA } of judgeSpeeds(kept)) {
      const used = applyEdit(kept, { do: 'speeds.use', id }).design;
      const report = analyse(used).reports.heat[used.brief.loadCase];
      expect(rise_K).toBeCloseTo(worstRise(report) as number, 9);
      expect(noise_dBA).toBeCloseTo(report.noise_dBA, 9);
    }
  });

  test('slower is quieter and warmer (fan laws)', () => {
    const [night, day] = judgeSpeeds(kept);
    expect(night?.noise_dBA).toBeLessThan(day?.noise_dBA as number);
    expect(night?.rise_K).toBeGreaterThan(day?.rise_K as number);
  });

  test('none kept, none judged', () => {
    expect(judgeSpeeds(desk)).toEqual([]);
  });
});

describe('families of fittings', () => {
  const priced = familiesPriced(tower, FITTINGS);

  test('every family offered is there once, the one of now among them and free', () => {
    const names = priced.map((p) => p.family);
    expect(new Set(names).size).toBe(names.length);
    expect(priced.filter((p) => p.isAll).map((p) => p.more_minor)).toEqual([0]);
  });

  test('what a family costs more is what the list of the changed build says', () => {
    const listOf = (design: Design): number => analyse(withoutRoutes(design)).reports.bom.loopTotal;
    for (const { edit, more_minor, isAll } of priced)
      if (!isAll) expect(more_minor).toBe(listOf(applyEdit(tower, edit).design) - listOf(tower));
  });
});

describe('another order of a loop', () => {
  const stations = analyse(desk).system.loops[0]?.stations ?? [];
  const back = reorderLoop(desk, 'loop', [...stations.slice(0, 2), ...stations.slice(2).reverse()]);

  test('costs what the lists and runs of both differ by, all estimated', () => {
    const now = analyse(withoutRoutes(desk)).reports,
      next = analyse(withoutRoutes(applyEdit(desk, back).design)).reports;
    const price = orderPrice(desk, back);
    expect(price.tube_m).toBeCloseTo((next.bom.tube_mm - now.bom.tube_mm) / 1000, 9);
    expect(price.bends).toBe(
      next.runs.reduce((s, r) => s + r.bends, 0) - now.runs.reduce((s, r) => s + r.bends, 0),
    );
  });

  test('the spot that is named is the one that changes most', () => {
    const load = desk.brief.loadCase;
    const spots = (design: Design) => analyse(withoutRoutes(design)).reports.heat[load].hotSpots;
    const changes = spots(applyEdit(desk, back).design).map((s) => {
      const was = spots(desk).find((o) => o.component === s.component && o.hotSpot === s.hotSpot);
      return Math.abs((s.temp_C ?? 0) - (was?.temp_C ?? 0));
    });
    expect(Math.abs(orderPrice(desk, back).spot?.by_K ?? 0)).toBeCloseTo(Math.max(...changes), 9);
  });

  test('taken back it costs the opposite', () => {
    const { design, inverse } = applyEdit(desk, back);
    const there = orderPrice(desk, back),
      again = orderPrice(design, inverse);
    expect(again.tube_m).toBeCloseTo(-there.tube_m, 6);
    expect(again.bends).toBe(-there.bends);
  });
});
