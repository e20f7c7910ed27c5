import { describe, expect, test } from '@jest/globals';
import { catalogued, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { teedTower } from '@/catalogue/teedTower.fixture';
import { analyse } from '../analysis';
import { applyEdit, withoutRoutes, type Design, type Edit, type Settings } from '../design';
import { water } from '../fluids';
import { compileSystem, type LoopGraph } from '../system';
import { bendExtraK, fitOf, linkDrop, networkOf, pumpShare, runDrop, settingsIn } from '.';
import { networkLinkOf } from './laws';

const desk = demoDesign('dawn-chorus-desk') as Design,
  tower = demoDesign('fenland-flood-tower') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((d, edit) => applyEdit(d, edit).design, design);

/** A loop of a design as a network at 25 °C, where measured points are taken. */
function networkIn(design: Design, loop = 0, settings?: (id: string) => Settings) {
  const { system, reports } = analyse(design);
  const graph = system.loops[loop] as LoopGraph;
  return networkOf(system, graph, reports.runs, 25, settings);
}
const linkIn = (design: Design, id: string, loop = 0) =>
  networkIn(design, loop).links.find((l) => l.id === id);

describe('what a link becomes in the network, by its law', () => {
  test('a pump turns at its share of full speed; whoever asks may say another', () => {
    const { fullSpeed_rpm } = catalogued('pump', 'pump-osier-large');
    expect(pumpShare(catalogued('pump', 'pump-osier-large'), fullSpeed_rpm / 4)).toBe(0.25);
    const half = edited(desk, {
      do: 'component.set',
      component: 'pump',
      values: { speed_rpm: fullSpeed_rpm / 2 },
    });
    expect(linkIn(half, 'pump.1')?.pump?.speed).toBeCloseTo(0.5, 12);
    const network = networkIn(half, 0, () => ({ speed_rpm: fullSpeed_rpm }));
    expect(network.links.find((l) => l.id === 'pump.1')?.pump?.speed).toBe(1);
    expect(settingsIn(half)('pump').speed_rpm).toBe(fullSpeed_rpm / 2);
    expect(settingsIn(half)('ghost')).toEqual({});
  });

  test('measured points are met with water at 25 °C; dirt in half the channels asks for twice the flow', () => {
    const block = desk.components.find((c) => c.id === 'card-block')?.part;
    const points = block?.kind === 'block' ? (block.passages[0]?.points ?? []) : [];
    const fit = fitOf(points);
    const clean = linkIn(desk, 'card-block.1')?.curve,
      dirty = linkIn(
        edited(desk, { do: 'component.set', component: 'card-block', values: { clogged: 0.5 } }),
        'card-block.1',
      )?.curve;
    const glycol = desk.loops[0]?.coolant.base.glycol ?? 'none';
    // dp(Q / open), open = ½: a linear part doubles, a quadratic one is four times as much.
    expect((dirty?.a ?? NaN) / (clean?.a ?? NaN)).toBeCloseTo(2, 9);
    expect((dirty?.b ?? NaN) / (clean?.b ?? NaN)).toBeCloseTo(4, 9);
    if (glycol === 'none') expect(clean?.b).toBeCloseTo(fit.b, 6);
  });

  test('nothing passes a shut valve, and a part without points lets by nearly everything', () => {
    const graph = compileSystem(tower).loops.find((g) =>
      g.links.some((l) => l.part?.kind === 'inline' && l.law.kind === 'measured'),
    ) as LoopGraph;
    const link = graph.links.find((l) => l.part?.kind === 'inline' && l.law.kind === 'measured');
    if (!link) throw new Error('no inline part');
    const ask = (settings: Settings, law = link.law) =>
      networkLinkOf({ ...link, law }, graph.loop, undefined, tower.kit, water(25), () => settings);
    expect(ask({ shut: true })).toBeNull();
    expect(ask({})?.curve).toBeDefined();
    expect(ask({}, { kind: 'measured', points: [] })?.curve?.b).toBe(0);
  });

  test("each leg of a tee is a pipe of the tee's own, and all three name the tee", () => {
    const graph = compileSystem(teedTower).loops.find((g) =>
      g.links.some((l) => l.law.kind === 'tee'),
    ) as LoopGraph;
    const legs = networkIn(
      teedTower,
      compileSystem(teedTower).loops.findIndex((g) => g.loop.id === graph.loop.id),
    ).links.filter((l) => l.tee);
    const byTee = new Map<string, string[]>();
    for (const leg of legs) {
      expect(leg.pipe).toMatchObject({ minor: [], bore_mm: leg.tee?.bore_mm });
      byTee.set(leg.tee?.id ?? '', [...(byTee.get(leg.tee?.id ?? '') ?? []), leg.tee?.leg ?? '']);
    }
    expect(byTee.size).toBeGreaterThan(0);
    for (const names of byTee.values()) expect(names.sort()).toEqual(['branch', 'run-a', 'run-b']);
  });

  test('a tube without its run has no length yet: only its bore', () => {
    const system = compileSystem(desk),
      graph = system.loops[0] as LoopGraph;
    const tube = networkOf(system, graph, [], 25).links.find((l) => l.pipe && !l.tee);
    expect(tube?.pipe).toEqual({ length_mm: 0, bore_mm: graph.loop.tube.inner_mm, minor: [] });
  });

  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: pressure is held at a reservoir',
    (_, design) => {
      const { system, reports } = analyse(design);
      for (const graph of system.loops) {
        const { fixed } = networkOf(system, graph, reports.runs, 25);
        expect(fixed).toHaveLength(1);
        const node = graph.nodes.get(fixed[0] ?? '');
        expect(system.placed.get(node?.component ?? '')?.part.kind).toBe('reservoir');
      }
    },
  );
});

describe('a run and its losses', () => {
  const { reports } = analyse(desk);
  const [loop] = desk.loops as [Design['loops'][number]];
  const [run] = reports.runs.filter((r) => r.by === 'tube' && r.bends > 0);
  if (!run) throw new Error('the demo lost its bends');

  test('split into tube, bends and fittings, it is the whole', () => {
    const link = linkIn(desk, run.id),
      fluid = networkIn(desk).fluid;
    if (!link?.pipe) throw new Error('a run is a pipe');
    const { tube_kPa, bends_kPa, fittings } = runDrop(link.pipe, -3.2, fluid);
    const sum = fittings.reduce((s, f) => s + f.drop_kPa, tube_kPa + bends_kPa);
    expect(sum).toBeCloseTo(linkDrop(link, 3.2, fluid), 9);
    expect(Math.min(tube_kPa, bends_kPa, ...fittings.map((f) => f.drop_kPa))).toBeGreaterThan(0);
    expect(fittings.length).toBe(run.fittings.length);
  });

  test('bends go by the radius they are routed with', () => {
    const arcs = run.routed?.path.filter((s) => s.kind === 'arc') ?? [];
    expect(arcs.length).toBe(run.bends);
    const k = arcs.reduce(
      (s, a) => s + (a.kind === 'arc' ? bendExtraK(a.radius, loop.tube.inner_mm, a.angle_deg) : 0),
      0,
    );
    expect(linkIn(desk, run.id)?.pipe?.minor.find((m) => m.of === 'bends')?.k).toBeCloseTo(k, 12);
  });

  test('no step is counted beside the fitting that holds it', () => {
    expect(linkIn(desk, run.id)?.pipe?.minor.map((m) => m.of)).toEqual([
      ...run.fittings.map((f) => expect.stringMatching(f.end === 'from' ? / start$/ : / end$/)),
      'bends',
    ]);
  });

  test('measured points of a fitting stand in place of its K, scaled to the coolant', () => {
    const points = [1, 2, 4].map((q) => [q, 0.2 * q * q] as const);
    const measured = edited(desk, {
      do: 'loop.fitting',
      loop: loop.id,
      fitting: { ...loop.fitting, points, pointsSource: 'own bench' },
    });
    const { pipe } = linkIn(measured, run.id) ?? {},
      { fluid } = networkIn(measured);
    const ends = run.fittings.filter((f) => f.duty === loop.fitting.duty).length;
    expect(pipe?.measured?.length).toBe(ends);
    // b goes with density: 0.2 at the water it was measured in.
    const density = fluid.density_kgm3 / water(25).density_kgm3;
    for (const m of pipe?.measured ?? []) expect(m.b).toBeCloseTo(0.2 * density, 6);
    expect(analyse(measured).reports.flow.loops[0]?.flow_Lmin).toBeLessThan(
      analyse(desk).reports.flow.loops[0]?.flow_Lmin ?? 0,
    );
  });

  /** A soft tube not yet routed bends by a third of its length, or its least radius. */
  test('an unrouted soft tube: bends of a third of its length', () => {
    const soft = edited(desk, {
      do: 'loop.tube',
      loop: loop.id,
      tube: catalogued('tube', 'tube-epdm-16-10'),
      fitting: catalogued('fitting', 'fit-comp-16-10'),
    });
    const { reports: estimated } = analyse(withoutRoutes(soft));
    const bent = estimated.runs.find((r) => r.turning_deg > 0 && r.cut_mm > 0);
    const k = bendExtraK(Math.max(50, (bent?.cut_mm ?? 0) / 3), 10, bent?.turning_deg ?? 0);
    const link = networkIn(withoutRoutes(soft)).links.find((l) => l.id === bent?.id);
    expect(link?.pipe?.minor.find((m) => m.of === 'bends')?.k).toBeCloseTo(k, 9);
    expect(k).toBeGreaterThan(0);
  });
});
