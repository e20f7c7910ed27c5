import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import { analyse } from '../analysis';
import { headTrouble, networkOf, ratingTroubles, flowLossSweep } from '.';
import type { LoopGraph } from '../system';

const desk = demoDesign('dawn-chorus-desk') as Design;
const w = analyse(desk);
const loop = w.reports.flow.loops[0];
const profile = loop?.profile;
const nodeOf = (
  component: string,
  chamber: string,
): NonNullable<typeof profile>['nodes'][number] => {
  const found = profile?.nodes.find((n) => n.node === `${component}/${chamber}`);
  if (!found) throw new Error(`no ${component}/${chamber}`);
  return found;
};

describe('pressures round the loop', () => {
  test('the air on the reservoir is a standard atmosphere at sea level (ICAO: 101.325 kPa), less up high', () => {
    expect(profile?.air_kPa).toBeCloseTo(101.325, 3);
    const high = analyse(applyEdit(desk, { do: 'brief.set', values: { altitude_m: 1500 } }).design)
      .reports.flow.loops[0]?.profile;
    // ICAO standard atmosphere, 1,500 m: 84.556 kPa.
    expect(Math.abs((high?.air_kPa ?? NaN) - 84.556)).toBeLessThan(0.05);
  });

  test("the reservoir stands at the air's pressure; each further node at what pump, losses and height make of it", () => {
    expect(nodeOf('reservoir', 'tank').absolute_kPa).toBeCloseTo(101.325, 6);
    for (const n of profile?.nodes ?? [])
      expect(n.absolute_kPa).toBeCloseTo(
        (profile?.air_kPa ?? NaN) + n.relative_kPa + n.height_kPa,
        9,
      );
    expect(nodeOf('pump', 'out').relative_kPa - nodeOf('pump', 'in').relative_kPa).toBeCloseTo(
      loop?.head_kPa ?? NaN,
      6,
    );
  });

  /** Hydrostatics: 1 m of water is 9.79 kPa at 20 °C, 9.76 at 30 °C. */
  test('what stands lower is pressed by the coolant above it, 9.7 to 10 kPa a metre', () => {
    for (const n of profile?.nodes ?? []) {
      const deep_m = ((profile?.surface_mm ?? NaN) - (n.height_mm ?? NaN)) / 1000;
      if (Math.abs(deep_m) < 0.01) continue;
      expect(n.height_kPa / deep_m).toBeGreaterThan(9.7);
      expect(n.height_kPa / deep_m).toBeLessThan(10);
    }
    expect(nodeOf('top-radiator', 'a').height_kPa).toBeLessThan(nodeOf('pump', 'in').height_kPa);
  });

  test("in relative pressure the lowest place is the pump's inlet", () => {
    const lowest = (profile?.nodes ?? []).reduce((a, b) =>
      b.relative_kPa < a.relative_kPa ? b : a,
    );
    expect(lowest.node).toBe('pump/in');
  });

  test('a loop that is stopped has no profile', () => {
    expect(
      analyse(
        applyEdit(desk, { do: 'component.set', component: 'pump', values: { speed_rpm: 0 } })
          .design,
      ).reports.flow.loops[0]?.profile,
    ).toBeNull();
  });
});

describe('sagging flow', () => {
  const graph = w.system.loops[0] as LoopGraph;
  const sags = flowLossSweep(
    graph,
    networkOf(w.system, graph, w.reports.runs, loop?.coolant_C ?? 30),
  );

  test("every block is asked, flow falls and the block's share of the pressure grows", () => {
    expect(sags.map((s) => s.component).sort()).toEqual(['card-block', 'processor-block']);
    for (const { steps } of sags) {
      const flows = [loop?.flow_Lmin ?? NaN, ...steps.map((s) => s.flow_Lmin)];
      for (let i = 1; i < flows.length; i += 1)
        expect(flows[i] as number).toBeLessThan(flows[i - 1] as number);
      const drops = steps.map((s) => s.drop_kPa);
      expect([...drops].sort((a, b) => a - b)).toEqual(drops);
    }
  });

  test('is what a part said to be clogged does in the build', () => {
    const clogged = analyse(
      applyEdit(desk, { do: 'component.set', component: 'card-block', values: { clogged: 0.5 } })
        .design,
    );
    expect(clogged.reports.flow.loops[0]?.flow_Lmin).toBeCloseTo(
      sags.find((s) => s.component === 'card-block')?.steps[1]?.flow_Lmin ?? NaN,
      2,
    );
  });
});

describe("what pumps' makers print", () => {
  test('a pressure far above what the head weighs is pointed out: 1.9 m is 18.6 kPa, not 150', () => {
    const [trouble] = ratingTroubles(catalogued('pump', 'pump-brook-small'));
    expect([trouble?.of, trouble?.printed]).toEqual(['pressure', 150]);
    expect(trouble?.gives).toBeCloseTo(18.6, 1);
  });

  test('head and pressure that agree are left alone', () => {
    expect(ratingTroubles(catalogued('pump', 'pump-osier-medium'))).toEqual([]);
    expect(ratingTroubles(catalogued('pump', 'pump-brook-tall'))).toEqual([]);
  });

  test('a printed head or flow that the curve denies is told, whichever way', () => {
    const part = catalogued('pump', 'pump-osier-large');
    // Makers' figures scatter by 15 %: 14 more pass, 16 do not.
    const head_m = part.points[0]?.[1] ?? NaN;
    expect(ratingTroubles({ ...part, ratings: { head_m: 1.14 * head_m } })).toEqual([]);
    expect(ratingTroubles({ ...part, ratings: { head_m: 1.16 * head_m } })).toHaveLength(1);
    expect(ratingTroubles({ ...part, ratings: { head_m: 6 } }).map((t) => t.of)).toEqual(['head']);
    expect(ratingTroubles({ ...part, ratings: { head_m: 2 } })[0]?.words).toContain(
      'another speed',
    );
    expect(ratingTroubles({ ...part, ratings: { pressure_kPa: 10 } })[0]?.words).toContain(
      'less than its own head',
    );
    expect(ratingTroubles({ ...part, ratings: { flow_Lmin: 9 } }).map((t) => t.of)).toEqual([
      'flow',
    ]);
  });

  test('a rising stretch is explained, and the falling part offered starts at the top and falls all the way', () => {
    expect(
      headTrouble([
        [0, 4],
        [5, 3],
      ]),
    ).toBeNull();
    // The highest point at shut-off: nothing is put before it.
    expect(
      headTrouble([
        [0, 4],
        [5, 3],
        [10, 3.2],
        [15, 1],
      ])?.falling,
    ).toEqual([
      [0, 4],
      [5, 3],
      [15, 1],
    ]);
    const trouble = headTrouble([
      [0, 3],
      [2, 3.3],
      [4, 3.1],
      [8, 1.5],
    ]);
    expect(trouble?.point).toBe(2);
    expect(trouble?.words).toContain('hunts');
    const heads = (trouble?.falling ?? []).map((p) => p[1]);
    expect(trouble?.falling[0]?.[0]).toBe(0);
    for (let i = 1; i < heads.length; i += 1)
      expect(heads[i] as number).toBeLessThan(heads[i - 1] as number);
    expect(headTrouble(trouble?.falling ?? [])).toBeNull();
  });
});
