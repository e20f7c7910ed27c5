import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit, findComponent } from '../design';
import { air } from '../fluids';
import { analyse, type Analysis } from '../analysis';
import { reorderLoop } from '../loops';
import { coolingCurves, noiseOf, prepareHeat, sizeCooling, worstRise } from '.';
import { steadyRise, withArea } from './steady';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const edit = (design: Design, ...edits: Edit[]): Analysis =>
  analyse(edits.reduce((b, e) => applyEdit(b, e).design, design));
const judged = (w: Analysis) => w.reports.heat[w.system.design.brief.loadCase];

describe('the heat balance', () => {
  test.each([
    ['desk', desk],
    ['tower', tower],
  ] as const)('%s: heat in equals heat out of each loop within 0.1 %%', (_, design) => {
    for (const report of Object.values(analyse(design).reports.heat)) {
      for (const loop of report.loops) {
        const out = report.radiators
          .filter((r) => r.loop === loop.id)
          .reduce((s, r) => s + (r.heat_W ?? NaN), 0);
        expect(Math.abs(out / loop.heatIn_W - 1)).toBeLessThan(0.001);
      }
    }
  });

  test('case air carries what is put into it', () => {
    const w = analyse(tower);
    const r = judged(w);
    const fromIntake = r.radiators
      .filter((x) => Math.abs(x.airIn_C - tower.brief.room_C) < 1e-9)
      .reduce((s, x) => s + (x.heat_W ?? 0), 0);
    const carried =
      (Math.max(r.intake_m3h, r.exhaust_m3h) / 3600) *
      1.184 *
      1006 *
      (r.caseAir_C - tower.brief.room_C);
    expect(carried / (fromIntake + r.airCooled_W)).toBeCloseTo(1, 1);
  });

  test('the air that leaves a radiator is warmer by its heat over what the air carries', () => {
    const thin = applyEdit(desk, { do: 'brief.set', values: { altitude_m: 1800 } }).design;
    for (const design of [desk, thin]) {
      const { room_C, altitude_m } = design.brief;
      const roomAir = air(room_C + 3, altitude_m);
      for (const r of judged(analyse(design)).radiators) {
        const carries = (r.airFlow_m3h / 3600) * roomAir.density_kgm3 * roomAir.heatCapacity_JkgK;
        expect((r.airOut_C ?? NaN) - r.airIn_C).toBeCloseTo((r.heat_W ?? NaN) / carries, 6);
      }
    }
  });

  test("the pump's own heat is counted", () => {
    const at = (rpm: number) =>
      judged(edit(desk, { do: 'component.set', component: 'pump', values: { speed_rpm: rpm } }));
    expect(at(4800).inLoop_W - at(2400).inLoop_W).toBeCloseTo(20 - 20 / 8, 6);
  });

  test('a warmer room warms everything by about as much', () => {
    const warm = judged(edit(desk, { do: 'brief.set', values: { room_C: 32 } })),
      now = judged(analyse(desk));
    expect((warm.loops[0]?.mean_C ?? 0) - (now.loops[0]?.mean_C ?? 0)).toBeCloseTo(10, 0);
  });

  test('thin air at 2,500 m cools less', () => {
    expect(
      worstRise(judged(edit(desk, { do: 'brief.set', values: { altitude_m: 2500 } }))) ?? 0,
    ).toBeGreaterThan((worstRise(judged(analyse(desk))) ?? 0) * 1.05);
  });

  test('an exhaust radiator breathes warm air', () => {
    const top = findComponent(desk, 'top-radiator');
    if (top?.placement.on !== 'mount') throw new Error('the demo lost its top radiator');
    const turned = judged(
      edit(desk, {
        do: 'component.place',
        component: 'top-radiator',
        placement: { ...top.placement, air: 'out' },
      }),
    );
    expect(turned.radiators.find((r) => r.id === 'top-radiator')?.airIn_C ?? 0).toBeGreaterThan(
      desk.brief.room_C + 3,
    );
  });

  /**
   * Order moves a part by no more than the heat upstream over the stream's capacity (common
   * practice: about 1 K).
   */
  test('order of the loop matters by about a kelvin only', () => {
    const spots = judged(analyse(desk)).hotSpots.filter((s) => s.cooledBy);
    const nodes = Object.values(judged(analyse(desk)).nodes);
    expect(spots.length).toBeGreaterThan(0);
    expect(Math.max(...nodes) - Math.min(...nodes)).toBeLessThan(2.5);
  });
});

describe('symmetry and order (property)', () => {
  /**
   * Alike branches share alike: nothing but their tubes tells the tower's two cards apart, so equal
   * blocks stay within what the tubes' lengths make.
   */
  test('like cards side by side run alike', () => {
    const spots = judged(analyse(tower)).hotSpots.filter((s) => s.component.startsWith('card'));
    const of = (component: string): number[] =>
      spots.filter((s) => s.component === component).map((s) => s.temp_C ?? NaN);
    const [a, b] = [...new Set(spots.map((s) => s.component))];
    of(a as string).forEach((t, k) =>
      expect(Math.abs(t - (of(b as string)[k] as number))).toBeLessThan(1.5),
    );
  });

  /**
   * Moving a part behind another warms its coolant by the other's P/(m cp), no more (energy balance
   * of a stream).
   */
  test('any order moves any part by no more than what is upstream over m cp', () => {
    const middle = desk.loops[0]
      ? (analyse(desk).system.loops[0]?.stations.filter(
          (s) => !['reservoir', 'pump'].includes(s),
        ) ?? [])
      : [];
    const all = middle.flatMap((a, i) =>
      middle
        .map((_, j) => {
          const rest = middle.filter((x) => x !== a);
          return [...rest.slice(0, j), a, ...rest.slice(j)];
        })
        .filter((o) => i >= 0 && o.join() !== middle.join()),
    );
    const now = analyse(desk);
    const flow = now.reports.flow.loops[0]?.flow_Lmin ?? NaN;
    const most = judged(now).inLoop_W / ((flow / 60000) * 1010 * 4100);
    for (const order of all.slice(0, 8)) {
      const w = edit(desk, reorderLoop(desk, 'loop', ['reservoir', 'pump', ...order]));
      // Other tubes, other flow: a few hundredths of a kelvin more.
      for (const s of judged(w).hotSpots.filter((x) => x.cooledBy))
        expect(
          Math.abs(
            (s.temp_C ?? NaN) -
              (judged(now).hotSpots.find(
                (x) => x.component === s.component && x.hotSpot === s.hotSpot,
              )?.temp_C ?? NaN),
          ),
        ).toBeLessThan(most + 0.25);
    }
  });

  test('fans off: the natural convection floor is left, not nothing and not much', () => {
    const still = edit(
      desk,
      ...['front-fans', 'top-fans'].map((component): Edit => ({
        do: 'component.set',
        component,
        values: { speed_rpm: 0 },
      })),
    );
    for (const r of judged(still).radiators) {
      expect(r.conductance_WK).toBeGreaterThan(0);
      expect(r.conductance_WK).toBeLessThan(2);
    }
  });

  test("a room hotter than a part's limit is said, and nothing breaks", () => {
    const hot = edit(
      desk,
      { do: 'brief.set', values: { room_C: 60 } },
      { do: 'brief.limit', values: { part_C: 50 } },
    );
    expect(hot.findings.some((f) => f.code === 'heat.over' && f.severity === 'fails')).toBe(true);
    expect(JSON.stringify(hot.reports)).not.toContain('NaN');
  });
});

describe('limits', () => {
  test('a pump that is stopped leaves no steady state, and no NaN', () => {
    const w = edit(desk, { do: 'component.set', component: 'pump', values: { speed_rpm: 0 } });
    expect(judged(w).loops[0]?.status).toBe('no-flow');
    expect(judged(w).loops[0]?.deltaT_K).toBeNull();
    expect(JSON.stringify(w.reports)).not.toContain('NaN');
    expect(w.findings.some((f) => f.code === 'flow.none')).toBe(true);
  });

  test('a loop without a radiator warms without end, and says so', () => {
    const w = edit(
      desk,
      { do: 'component.remove', component: 'front-radiator' },
      { do: 'component.remove', component: 'top-radiator' },
    );
    expect(judged(w).loops[0]?.status).toBe('no-radiator');
    expect(w.findings.some((f) => f.code === 'cooling.short')).toBe(true);
  });

  test("parts at zero watts leave the coolant at the pump's heat alone", () => {
    const w = edit(
      desk,
      { do: 'component.set', component: 'processor', values: { powerDraw_W: 0 } },
      { do: 'component.set', component: 'card', values: { powerDraw_W: 0 } },
    );
    expect(worstRise(judged(w)) ?? 99).toBeLessThan(0.5);
  });
});

describe('sizing', () => {
  const w = analyse(desk);

  test('the quietest speed just holds the rise', () => {
    const { quietestSpeed_rpm } = w.reports.sizing;
    expect(quietestSpeed_rpm).not.toBeNull();
    const at = (rpm: number): number =>
      worstRise(judged(edit(desk, { do: 'fans.speed', speed_rpm: rpm }))) ?? NaN;
    expect(at((quietestSpeed_rpm as number) + 10)).toBeLessThanOrEqual(desk.brief.limits.deltaT_K);
    expect(at((quietestSpeed_rpm as number) - 30)).toBeGreaterThan(desk.brief.limits.deltaT_K);
  });

  test('the loudest speed just holds the noise', () => {
    const { loudestSpeed_rpm } = w.reports.sizing;
    const loud = edit(desk, { do: 'fans.speed', speed_rpm: (loudestSpeed_rpm as number) - 10 });
    expect(judged(loud).noise_dBA).toBeLessThanOrEqual(desk.brief.limits.noise_dBA + 0.05);
  });

  test('sections needed grow as the limit shrinks', () => {
    const needs = [14, 10, 7].map(
      (deltaT_K) =>
        edit(desk, { do: 'brief.limit', values: { deltaT_K } }).reports.sizing.sectionsNeeded ??
        NaN,
    );
    expect(needs[0]).toBeLessThan(needs[1] as number);
    expect(needs[1]).toBeLessThan(needs[2] as number);
  });

  test('what holds now never needs more than there is, even where more area would not help', () => {
    const top = findComponent(desk, 'top-radiator');
    if (top?.placement.on !== 'mount') throw new Error('the demo lost its top radiator');
    const out: Edit = {
      do: 'component.place',
      component: 'top-radiator',
      placement: { ...top.placement, air: 'out' },
    };
    for (const deltaT_K of [6, 9, 12, 15, 20, 30]) {
      for (const speed_rpm of [700, 1150, 1900]) {
        const built = edit(
          desk,
          out,
          { do: 'fans.speed', speed_rpm },
          { do: 'brief.limit', values: { deltaT_K } },
        );
        const needs = built.reports.sizing.sectionsNeeded ?? NaN;
        const holds = (worstRise(judged(built)) ?? Infinity) <= deltaT_K;
        expect([deltaT_K, speed_rpm, holds, needs <= 5.03]).toEqual([
          deltaT_K,
          speed_rpm,
          holds,
          holds,
        ]);
      }
    }
  });

  test('one radiator in, one out: sections bring their own air, so a few more do', () => {
    const top = findComponent(desk, 'top-radiator');
    if (top?.placement.on !== 'mount') throw new Error('the demo lost its top radiator');
    const placement = { ...top.placement, air: 'out' as const };
    const built = edit(desk, { do: 'component.place', component: 'top-radiator', placement });
    const { sections, sectionsNeeded } = built.reports.sizing;
    expect(sectionsNeeded).toBeGreaterThan(sections);
    expect(sectionsNeeded).toBeLessThan(9);
    // What was found holds when it is put in whole: longer cores, more fans, more case air.
    const prepared = prepareHeat(built.thermalModel, built.reports.flow);
    const rise = steadyRise(withArea(prepared, (sectionsNeeded as number) / sections), 'stress');
    expect(rise).toBeCloseTo(desk.brief.limits.deltaT_K, 1);
  });

  test('area put in by a factor is what the same sections give when they are really there', () => {
    // The front radiator of three sections made one of four, against four thirds of its area.
    const front = findComponent(desk, 'front-radiator');
    if (front?.part.kind !== 'radiator') throw new Error('the demo lost its front radiator');
    const alone = edit(desk, { do: 'component.remove', component: 'top-radiator' });
    if (worstRise(judged(alone)) === null) return;
    const longer = edit(
      desk,
      { do: 'component.remove', component: 'top-radiator' },
      {
        do: 'component.replace',
        component: 'front-radiator',
        part: { ...front.part, sections: 4 },
      },
    );
    const scaled = steadyRise(
      withArea(prepareHeat(alone.thermalModel, alone.reports.flow), 4 / 3),
      'stress',
    );
    expect(Math.abs((scaled ?? NaN) - (worstRise(judged(longer)) ?? NaN))).toBeLessThan(0.3);
  });

  test('nothing to size without radiators', () => {
    const bare = edit(desk, { do: 'loop.remove', loop: 'loop' });
    expect(
      sizeCooling(prepareHeat(bare.thermalModel, bare.reports.flow), 'stress').sectionsNeeded,
    ).toBeNull();
    expect(coolingCurves(bare.thermalModel, bare.reports.flow, 'stress')).toEqual([]);
  });

  test('curves: louder is cooler; a section more lies below, a section less above', () => {
    const curves = coolingCurves(w.thermalModel, w.reports.flow, 'stress', 12);
    const of = (id: string) => curves.find((c) => c.id === id)?.points ?? [];
    const now = of('now');
    expect(now.length).toBe(13);
    now.slice(1).forEach((p, i) => {
      expect(p.noise_dBA).toBeGreaterThan(now[i]?.noise_dBA ?? NaN);
      expect(p.deltaT_K).toBeLessThan(now[i]?.deltaT_K ?? NaN);
      expect(of('more')[i + 1]?.deltaT_K).toBeLessThan(p.deltaT_K);
      expect(of('less')[i + 1]?.deltaT_K).toBeGreaterThan(p.deltaT_K);
    });
  });

  test('noise falls with distance: 6 dB a doubling (free field)', () => {
    const far = edit(desk, { do: 'brief.set', values: { listener_m: 2 } });
    expect(noiseOf(w.thermalModel) - noiseOf(far.thermalModel)).toBeCloseTo(6.02, 2);
  });
});

describe('a build on its way', () => {
  const apart = applyEdit(desk, { do: 'loop.remove', loop: 'loop' }).design;

  test('heat under a block that no loop goes through waits; it is not put on air', () => {
    const r = judged(analyse(apart));
    expect(r.unconnected_W).toBeCloseTo(325, 9);
    expect(r.inLoop_W).toBe(0);
    expect(r.airCooled_W).toBeCloseTo(32, 9);
    expect(r.hotSpots.filter((s) => s.component === 'processor').map((s) => s.temp_C)).toEqual([
      null,
    ]);
    expect(analyse(apart).findings.filter((f) => f.code === 'heat.over')).toEqual([]);
  });

  test('fans on a radiator that no loop goes through still move air', () => {
    expect(judged(analyse(apart)).intake_m3h).toBeGreaterThan(50);
  });

  test('without any fan the case cooks, but not without end', () => {
    const still = edit(
      apart,
      ...apart.components
        .filter((i) => i.part.kind === 'fan')
        .map((i): Edit => ({ do: 'component.remove', component: i.id })),
    );
    const r = judged(still);
    expect(r.caseAir_C).toBeGreaterThan(desk.brief.room_C + 2);
    expect(r.caseAir_C).toBeLessThan(desk.brief.room_C + 10);
  });
});
