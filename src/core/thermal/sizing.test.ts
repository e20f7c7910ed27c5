import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_BUILDS } from '@/catalogue';
import { analyse, type Analysis } from '../analysis';
import { applyEdit, type Design } from '../design';
import { prepareHeat, sizeCooling } from '.';
import { coreOf, type ThermalModel } from './thermalModel';
import { steadyRise, withArea } from './steady';

/** The machine with its radiators really longer, whole sections each, and fans to match. */
function lengthened(model: ThermalModel, sections: (now: number) => number): ThermalModel {
  return {
    ...model,
    radiators: model.radiators.map((r) => {
      const next = sections(r.sections);
      return {
        ...r,
        sections: next,
        core: coreOf(r.part, next),
        fans: r.fans.map((f) => ({ ...f, count: next })),
      };
    }),
  };
}

const riseOf = (model: ThermalModel, { reports }: Analysis, load: 'stress' | 'gaming') =>
  steadyRise(prepareHeat(model, reports.flow), load);

describe('sections needed', () => {
  test('area by a factor is what whole sections give: doubled, trebled, halved', () => {
    for (const { design } of DEMO_BUILDS) {
      const analysis = analyse(design);
      const prepared = prepareHeat(analysis.thermalModel, analysis.reports.flow);
      for (const factor of [2, 3]) {
        const really = riseOf(
          lengthened(analysis.thermalModel, (n) => n * factor),
          analysis,
          'stress',
        );
        const scaled = steadyRise(withArea(prepared, factor), 'stress');
        expect(Math.abs((really ?? NaN) - (scaled ?? NaN))).toBeLessThan(0.3);
      }
    }
  });

  /** A random demo with its speeds, room, limit and the way of its air changed. */
  const machines = fc
    .record({
      demo: fc.nat(DEMO_BUILDS.length - 1),
      rpm: fc.integer({ min: 500, max: 1400 }),
      room_C: fc.integer({ min: 15, max: 32 }),
      deltaT_K: fc.integer({ min: 4, max: 18 }),
      out: fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }),
    })
    .map(({ demo, rpm, room_C, deltaT_K, out }): Design => {
      const { design } = DEMO_BUILDS[demo] as (typeof DEMO_BUILDS)[number];
      const radiators = design.components.filter(
        (c) => c.part.kind === 'radiator' && c.placement.on === 'mount',
      );
      const turned = radiators.reduce(
        (d, c, i) =>
          c.placement.on === 'mount' && out[i % out.length]
            ? applyEdit(d, {
                do: 'component.place',
                component: c.id,
                placement: { ...c.placement, air: c.placement.air === 'in' ? 'out' : 'in' },
              }).design
            : d,
        design,
      );
      return [
        { do: 'fans.speed', speed_rpm: rpm } as const,
        { do: 'brief.set', values: { room_C } } as const,
        { do: 'brief.limit', values: { deltaT_K } } as const,
      ].reduce<Design>((d, edit) => applyEdit(d, edit).design, turned);
    });

  test('of fifty random machines: put in, they meet the brief within 0.3 K, or none would', () => {
    let named = 0;
    fc.assert(
      fc.property(machines, (design) => {
        const analysis = analyse(design),
          { limits } = design.brief;
        const prepared = prepareHeat(analysis.thermalModel, analysis.reports.flow);
        const { sections, sectionsNeeded } = sizeCooling(prepared, 'stress');
        if (sectionsNeeded === null) return;
        const riseAt = (factor: number): number =>
          steadyRise(withArea(prepared, factor), 'stress') ?? NaN;
        if (sectionsNeeded === Infinity) {
          for (const factor of [2, 5, 20]) expect(riseAt(factor)).toBeGreaterThan(limits.deltaT_K);
          return;
        }
        named += 1;
        const found = riseAt(sectionsNeeded / sections);
        // Where very little would do, the least that is looked at holds with room to spare.
        if (sectionsNeeded / sections > 0.051)
          expect(Math.abs(found - limits.deltaT_K)).toBeLessThan(0.3);
        else expect(found).toBeLessThanOrEqual(limits.deltaT_K);
        // Really added in whole sections, the next larger number holds too where more cools more.
        const whole = Math.ceil(sectionsNeeded / sections);
        if (whole > 1 && riseAt(whole) <= riseAt(sectionsNeeded / sections)) {
          const really = riseOf(
            lengthened(analysis.thermalModel, (n) => n * whole),
            analysis,
            'stress',
          );
          expect(really ?? NaN).toBeLessThanOrEqual(limits.deltaT_K + 0.3);
        }
      }),
      { numRuns: 50, seed: 9 },
    );
    expect(named).toBeGreaterThan(20);
  }, 120_000);

  test('added area brings its own air: what the case loses and gains changes with it', () => {
    const { design } = DEMO_BUILDS[0] as (typeof DEMO_BUILDS)[number];
    const { thermalModel, reports } = analyse(design);
    const prepared = prepareHeat(thermalModel, reports.flow),
      twice = withArea(prepared, 2);
    // Twice the fans bring nearly twice the air: the case holds them back a little more.
    twice.caseAir.winds.forEach((w, i) => {
      const before = prepared.caseAir.winds[i]?.flow_m3h ?? NaN;
      expect(w.flow_m3h).toBeLessThan(before * 2);
      expect(w.flow_m3h).toBeGreaterThan(before * 1.4);
    });
    expect(twice.caseAir.intake_m3h).toBeGreaterThan(prepared.caseAir.intake_m3h * 1.2);
    expect(withArea(prepared, 1)).toBe(prepared);
  });
});
