import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import { compileSystem } from '../system';
import { routesOf } from '../routing';
import {
  judgedAlternatives,
  compareOrders,
  compareParts,
  whatIfShort,
  whyNoOrders,
  type OrdersCompared,
} from '.';

const desk = demoDesign('dawn-chorus-desk') as Design,
  tower = demoDesign('fenland-flood-tower') as Design;
const found = routesOf(compileSystem(desk));

describe('orders compared', () => {
  const compared = compareOrders(desk, 'loop') as OrdersCompared;

  /** Reservoir and pump stay first; four parts behind them in 4! orders. */
  test('all orders are weighed; the one there is now stands among those told', () => {
    expect(compared.all).toBe(24);
    expect(compared.rows.filter((r) => r.edit === null)).toHaveLength(1);
    for (const r of compared.rows) expect(r.order.slice(0, 2)).toEqual(['reservoir', 'pump']);
    expect(new Set(compared.rows.map((r) => r.order.join())).size).toBe(compared.rows.length);
  });

  test('each row is the whole evaluation of the loop in that order, routed', () => {
    const row = compared.rows.find((r) => r.edit !== null) as OrdersCompared['rows'][number],
      design = applyEdit(desk, row.edit as Edit).design,
      { reports } = analyse(design);
    expect(row.tube_mm).toBeCloseTo(
      reports.runs.reduce((s, r) => s + r.cut_mm, 0),
      6,
    );
    expect(row.bends).toBe(reports.runs.reduce((s, r) => s + r.bends, 0));
    for (const t of row.temps)
      expect(t.temp_C).toBeCloseTo(
        Math.max(
          ...reports.heat[design.brief.loadCase].hotSpots
            .filter((s) => s.component === t.component && s.temp_C !== null)
            .map((s) => s.temp_C as number),
        ),
        6,
      );
  });

  /** Common practice, no source: order moves any part by about 1 K at usual flows. */
  test('order matters little: no part by more than 1.5 K', () => {
    expect(compared.spread_K).toBeGreaterThan(0);
    expect(compared.spread_K).toBeLessThan(1.5);
  });

  test('fewest runs without a way first, then the least tube and bends', () => {
    const worth = compared.rows.map((r) => r.without * 1e6 + r.tube_mm + 45 * r.bends);
    expect(worth).toEqual([...worth].sort((a, b) => a - b));
  });

  test('a split loop, an open one and one that is not there say why not; stopping gives nothing', () => {
    expect(whyNoOrders(tower, tower.loops[1]?.id ?? '')).toContain('splits');
    expect(
      whyNoOrders(
        applyEdit(desk, { do: 'connection.remove', loop: 'loop', connection: 'run-3' }).design,
        'loop',
      ),
    ).toContain('not closed');
    expect(whyNoOrders(desk, 'ghost')).toContain('no such loop');
    expect(compareOrders(desk, 'loop', () => false)).toBeNull();
  });
});

describe('a tube too short', () => {
  test('2 mm an end are taken up by the fittings, 5 mm are not', () => {
    expect(whatIfShort(desk, found, 'run-2', 'to', 4).map((r) => r.how)).toContain('deeper');
    expect(whatIfShort(desk, found, 'run-2', 'to', 5).map((r) => r.how)).not.toContain('deeper');
  });

  /** By hand: an extender of 15 mm for 8 mm missing leaves 7 mm to cut off. */
  test('an extender saves what it is long, and its excess is cut off', () => {
    const extender = whatIfShort(desk, found, 'run-2', 'from', 8).find((r) => r.how === 'extender');
    expect(extender?.then).toContain('7.0 mm');
    const after = applyEdit(desk, extender?.edit as Edit).design;
    expect(after.loops[0]?.connections.find((l) => l.id === 'run-2')?.ends.from).toBe('extender');
    expect(whatIfShort(desk, found, 'run-2', 'from', 16).map((r) => r.how)).not.toContain(
      'extender',
    );
  });

  test('moving pump and reservoir together closes the gap by as much, and clashes with nothing', () => {
    const move = whatIfShort(desk, found, 'run-2', 'from', 8).find((r) => r.how === 'move');
    expect(move?.says).toContain('Pump and Reservoir');
    const after = analyse(applyEdit(desk, move?.edit as Edit).design),
      before = analyse(desk),
      port = (w: typeof after) =>
        w.system.portAt({ component: 'pump', port: 'out' })?.at as readonly number[];
    expect(
      Math.hypot(...[0, 1, 2].map((i) => (port(after)[i] as number) - (port(before)[i] as number))),
    ).toBeCloseTo(8, 6);
    expect(
      after.findings.filter((f) => f.code === 'run.joint-apart' || f.code === 'fit.clash'),
    ).toEqual([]);
    expect(move?.touches.length).toBeGreaterThan(0);
  });

  test('making it again is always there; a run that is not routed has no advice', () => {
    expect(whatIfShort(desk, found, 'run-4', 'to', 60).map((r) => r.how)).toContain('again');
    expect(whatIfShort(desk, { ...found, routes: [] }, 'run-4', 'to', 5)).toEqual([]);
  });
});

describe('other routes of a run', () => {
  const ways = judgedAlternatives(tower, 'run-8');

  test('are distinct, the one it has first; each is what the design says with it laid', () => {
    expect(ways.length).toBeGreaterThanOrEqual(3);
    expect(ways[0]?.edit).toBeNull();
    const seen = new Set(
      ways.map((w) => JSON.stringify(w.route.corners.map((c) => c.map(Math.round)))),
    );
    expect(seen.size).toBe(ways.length);
    for (const way of ways.slice(1)) {
      const { reports, findings } = analyse(applyEdit(tower, way.edit as Edit).design);
      const run = reports.runs.find((r) => r.id === 'run-8');
      expect(run?.bends).toBe(way.bends);
      expect(run?.cut_mm).toBeCloseTo(way.length_mm + 16, 6);
      expect(reports.flow.links.find((l) => l.id === 'run-8')?.drop_kPa).toBe(way.drop_kPa);
      expect(findings.filter((f) => f.code === 'run.clash' || f.code === 'run.self')).toEqual([]);
    }
  });

  test('of a run that is none, there are none', () => {
    expect(judgedAlternatives(tower, 'ghost')).toEqual([]);
  });
});

describe('parts compared in their place', () => {
  test('each row is the difference of two whole evaluations; clashing ones last, then the cheapest', () => {
    const rows = compareParts(desk, 'pump', CATALOGUE),
      now = analyse(desk).reports;
    expect(rows.map((r) => r.part).sort()).toEqual(
      CATALOGUE.filter((p) => p.kind === 'pump' && p.id !== 'pump-osier-large')
        .map((p) => p.id)
        .sort(),
    );
    for (const r of rows) {
      const then = analyse(applyEdit(desk, r.edit).design).reports;
      expect(r.cost_minor).toBe(then.bom.loopTotal - now.bom.loopTotal);
      expect(r.flow_Lmin).toBeCloseTo(
        (then.flow.loops[0]?.flow_Lmin ?? NaN) - (now.flow.loops[0]?.flow_Lmin ?? NaN),
        9,
      );
    }
    const rank = rows.map((r) => Number(r.clashes > 0) * 1e9 + r.cost_minor);
    expect(rank).toEqual([...rank].sort((a, b) => a - b));
    expect(compareParts(desk, 'ghost', CATALOGUE)).toEqual([]);
  });
});
