import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_BUILDS } from '@/catalogue';
import { measureAirflowObstructions, measureGaps, portFits, mountDepthAt } from '../clearance';
import { applyEdit, type Design } from '../design';
import { routedRuns, routesOf } from '../routing';
import { compileSystem } from '../system';
import { compileThermalModel, solveCoupled, solveHeatCases } from '../thermal';
import { analyse, createSession } from '.';

const demos = DEMO_BUILDS.map((d) => [d.name, d.design] as const);

/** Every component under another name. */
const renamed = (design: Design, word: string): Design =>
  design.components.reduce(
    (d, { id }) =>
      applyEdit(d, { do: 'component.rename', component: id, name: `${word} ${id}` }).design,
    design,
  );

describe('names are put in where results are told', () => {
  test.each(demos)('%s: clearances are those measured with the names in', (_, design) => {
    const { clearance } = analyse(design).reports,
      system = compileSystem(design);
    const runs = routedRuns(system, routesOf(system));
    expect(clearance.gaps).toEqual(measureGaps(system).gaps);
    expect(clearance.ports).toEqual(portFits(system, runs));
    expect(clearance.airflowObstructions).toEqual(measureAirflowObstructions(system));
    expect(clearance.mountDepths).toEqual(
      (design.case?.mounts ?? []).map((mount) => mountDepthAt(system, mount)),
    );
  });

  test.each(demos)('%s: runs and hot spots have the names of their parts', (_, design) => {
    const { reports } = analyse(design),
      system = compileSystem(design);
    const runs = routedRuns(system, routesOf(system));
    expect(reports.runs.map((r) => [r.id, r.name, r.endNames])).toEqual(
      runs.map((r) => [r.id, r.name, r.endNames]),
    );
    const blocked = new Map(
      measureAirflowObstructions(system).map((a) => [a.component, a.loss_Pa] as const),
    );
    const { prepared } = solveCoupled(
      system,
      runs,
      compileThermalModel(system, blocked),
      design.brief.loadCase,
    );
    const direct = solveHeatCases(prepared)[design.brief.loadCase],
      told = reports.heat[design.brief.loadCase];
    expect(told.hotSpots).toEqual(direct.hotSpots);
    expect(told.parts).toEqual(direct.parts);
  });

  test.each(demos)('%s: other names change no figure', (_, design) => {
    const session = createSession(design);
    const figures = (): unknown => {
      const { flow, heat, clearance, sizing, bom } = session.analysis().reports;
      return [
        flow.links.map((l) => [l.id, l.flow_Lmin, l.drop_kPa]),
        heat[design.brief.loadCase].hotSpots.map((s) => [s.hotSpot, s.temp_C]),
        clearance.gaps.map((g) => [g.a, g.b, g.gap_mm]),
        sizing,
        bom.loopTotal,
      ];
    };
    const before = figures();
    session.replace(renamed(design, 'Other'));
    expect(figures()).toEqual(before);
    const { gaps } = session.analysis().reports.clearance;
    for (const gap of gaps.filter((g) => !g.a.startsWith('case:')))
      expect(gap.nameA).toMatch(new RegExp(`^Other ${gap.a}(, |$)`));
  });

  test('a part may be called anything: the findings of its trouble bear that name', () => {
    const [, design] = demos[2] as (typeof demos)[number];
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 30 }), (word) => {
        const name = `«${word.replaceAll(/[«»]/g, '')}»`;
        const called = applyEdit(design, {
          do: 'component.rename',
          component: 'top-radiator',
          name,
        }).design;
        const told = analyse(called).findings.filter((f) => f.subjects.includes('top-radiator'));
        expect(told.length).toBeGreaterThan(0);
        expect(told.some((f) => `${f.title} ${f.detail}`.includes(name))).toBe(true);
      }),
      { numRuns: 8 },
    );
  });
});
