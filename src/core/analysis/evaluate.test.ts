import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, DEMO_BUILDS, demoDesign, STANDARD_KIT } from '@/catalogue';
import { applyEdit, emptyDesign, type Design } from '../design';
import { evaluate, analyse } from '.';
import {
  atFullSpeed,
  networkOf,
  operatingCurves,
  pumpMargin,
  slowestShareFor,
} from '../hydraulics';
import { defaultPlacements } from '../checks';

const desk = demoDesign('dawn-chorus-desk') as Design;

describe('an evaluation', () => {
  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: the published shape holds',
    (_, design) => {
      const e = evaluate(design, { offer: CATALOGUE });
      const text = JSON.stringify(e);
      expect(text).not.toMatch(/NaN/);
      for (const l of e.reports.flow.links)
        expect(Object.keys(l)).toEqual(
          expect.arrayContaining(['id', 'loop', 'from', 'to', 'flow_Lmin', 'drop_kPa']),
        );
      for (const p of e.reports.flow.pumps)
        expect(Object.keys(p)).toEqual(
          expect.arrayContaining(['id', 'flow_Lmin', 'head_m', 'speed']),
        );
      for (const r of e.reports.heat.stress.radiators)
        expect(Object.keys(r)).toEqual(
          expect.arrayContaining([
            'id',
            'heat_W',
            'conductance_WK',
            'airIn_C',
            'airFlow_m3h',
            'airDrop_Pa',
            'face_ms',
          ]),
        );
      for (const g of e.reports.clearance.gaps)
        expect(Object.keys(g)).toEqual(
          expect.arrayContaining(['a', 'b', 'gap_mm', 'worst_mm', 'verdict']),
        );
      for (const p of e.reports.corrosion.pairs)
        expect(Object.keys(p)).toEqual(
          expect.arrayContaining([
            'loop',
            'a',
            'b',
            'difference_V',
            'limit_V',
            'verdict',
            'carriers',
          ]),
        );
    },
  );

  test('it is the same every time', () => {
    expect(evaluate(desk)).toEqual(evaluate(desk));
  });

  test('the demos are what they say: the desk holds, the planetarium does not', () => {
    expect(
      evaluate(desk, { offer: CATALOGUE }).findings.filter((f) => f.severity !== 'note'),
    ).toEqual([]);
    const codes = new Set(
      evaluate(demoDesign('pocket-planetarium') as Design).findings.map((f) => f.code),
    );
    for (const code of ['metal.mixed', 'fit.clash', 'rule.no-drain', 'screw.too-long'])
      expect(codes.has(code)).toBe(true);
  });

  test('the rail of a new build says what is missing, not that it holds', () => {
    const { stages } = evaluate(emptyDesign('New', STANDARD_KIT));
    for (const s of Object.values(stages)) expect(s.verdict).toBe('unchecked');
    expect(stages.flow.result).toBe('no loop yet');
  });

  test('flow, mass and energy add up on every demo', () => {
    for (const { design } of DEMO_BUILDS) {
      for (const loop of evaluate(design).reports.flow.loops) {
        expect(loop.status).toBe('solved');
        expect(loop.residual.mass_Lmin).toBeLessThan(1e-6);
        expect(loop.residual.energy_kPa).toBeLessThan(1e-4);
      }
    }
  });

  test('head given equals what all the rest takes', () => {
    const { flow } = evaluate(desk).reports;
    const taken = flow.links.reduce((s, l) => s + Math.max(0, l.drop_kPa), 0);
    expect(taken).toBeCloseTo(flow.loops[0]?.head_kPa ?? NaN, 4);
  });
});

describe('the operating point', () => {
  const w = analyse(desk);
  const graph = w.system.loops[0];
  if (!graph) throw new Error('the demo lost its loop');
  const state = w.reports.flow.loops[0];
  const network = networkOf(w.system, graph, w.reports.runs, state?.coolant_C ?? 30);

  test('lies on both curves', () => {
    const q = state?.flow_Lmin ?? NaN;
    const curves = operatingCurves(network);
    expect(curves?.systemCurve(q)).toBeCloseTo(state?.head_kPa ?? NaN, 3);
    expect(curves?.pumpCurve(q)).toBeCloseTo(state?.head_kPa ?? NaN, 3);
  });

  test('the slowest speed for a flow gives that flow', () => {
    const share = slowestShareFor(atFullSpeed(network), 4) ?? NaN;
    const slow = applyEdit(desk, {
      do: 'component.set',
      component: 'pump',
      values: { speed_rpm: share * 4800 },
    }).design;
    expect(analyse(slow).reports.flow.loops[0]?.flow_Lmin).toBeCloseTo(4, 1);
    expect(slowestShareFor(atFullSpeed(network), 25)).toBeNull();
  });

  test('margin is what is to spare at the target', () => {
    expect(pumpMargin(network, state?.flow_Lmin ?? NaN)).toBeCloseTo(0, 3);
    expect(pumpMargin(network, 2) ?? 0).toBeGreaterThan(0.3);
  });

  test("a parallel bypass is solved as a network and raises the pump's flow", () => {
    const branched = applyEdit(desk, {
      do: 'connection.add',
      loop: 'loop',
      connection: {
        id: 'bypass',
        from: { component: 'pump', port: 'low' },
        to: { component: 'reservoir', port: 'top' },
        by: 'tube',
        ends: { from: 'auto', to: 'auto' },
      },
    }).design;
    const b = analyse(branched);
    expect(b.reports.flow.loops[0]?.status).toBe('solved');
    expect(b.reports.flow.pumps[0]?.flow_Lmin ?? 0).toBeGreaterThan(state?.flow_Lmin ?? NaN);
    const g = b.system.loops[0];
    if (!g) throw new Error('no loop');
    const through = operatingCurves(
      networkOf(b.system, g, b.reports.runs, b.reports.flow.loops[0]?.coolant_C ?? 30),
    )?.systemCurve(b.reports.flow.pumps[0]?.flow_Lmin ?? NaN);
    expect(through).toBeCloseTo(b.reports.flow.loops[0]?.head_kPa ?? NaN, 1);
  });
});

describe('places offered', () => {
  test('every part of the catalogue that can be placed is offered a place in some case', () => {
    for (const part of CATALOGUE) {
      if (
        ![
          'board',
          'processor',
          'memory',
          'supply',
          'card',
          'radiator',
          'fan',
          'pump',
          'reservoir',
        ].includes(part.kind)
      )
        continue;
      const bare = { ...desk, components: desk.components.filter((i) => i.part.kind === 'board') };
      const cases = CATALOGUE.flatMap((p) => (p.kind === 'case' ? [p] : []));
      const offered = cases.flatMap((box) =>
        defaultPlacements(
          { ...bare, case: box },
          { id: 'x', part: part as Design['components'][number]['part'] },
        ),
      );
      expect([part.id, offered.length > 0]).toEqual([part.id, true]);
    }
  });
});
