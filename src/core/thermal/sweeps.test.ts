import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { FanPart, RadiatorPart } from '../components';
import { applyEdit, findComponent, type Design, type Edit } from '../design';
import { air, coolantProperties, water, type CoolantBase } from '../fluids';
import { INSTALLATION, noiseOf, radiatorConductance } from '.';
import { fanCurve } from '../airflow';
import { radiatorWind } from './caseAir';
import { coreOf, type RadiatorSetup } from './thermalModel';

/**
 * What physics makes smooth and one-way is swept: no step may be larger than its neighbours allow,
 * and none may go the wrong way. The limits are common practice, no source; the directions are
 * plain.
 */
const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (...edits: readonly Edit[]): Design =>
  edits.reduce((d, e) => applyEdit(d, e).design, desk);

const range = (from: number, to: number, steps: number): readonly number[] =>
  Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);

type Way = 'rises' | 'falls';

/** Values that go one way, and never by more than `share` of their whole span in one step. */
function expectSwept(values: readonly number[], way: Way, share: number): void {
  const span = Math.abs((values.at(-1) as number) - (values[0] as number));
  for (let i = 1; i < values.length; i += 1) {
    const step = (values[i] as number) - (values[i - 1] as number);
    const along = way === 'rises' ? step : -step;
    expect(along).toBeGreaterThanOrEqual(-1e-6 * (1 + span));
    expect(along).toBeLessThanOrEqual(share * span + 1e-9);
  }
  expect(span).toBeGreaterThan(0);
}

const radiatorPart = catalogued('radiator', 'rad-mill-360-30');
const fanPart = catalogued('fan', 'fan-wren-120-1200');

function setUp(speeds: readonly number[], part: RadiatorPart = radiatorPart): RadiatorSetup {
  const front = analyse(desk).thermalModel.radiators[0] as RadiatorSetup;
  const curve = fanCurve(fanPart.points, fanPart.fullSpeed_rpm);
  return {
    ...front,
    part,
    core: coreOf(part, part.sections),
    sections: part.sections,
    filterLoss_Pa: 0,
    fans: speeds.map((speed_rpm, i) => ({
      component: `fans-${i}` as RadiatorSetup['fans'][number]['component'],
      part: fanPart,
      curve,
      count: part.sections,
      speed_rpm,
    })),
  };
}

const conductance = (
  airFlow_m3h: number,
  coolantFlow_Lmin: number,
  coolant: CoolantBase = { glycol: 'none', volumeShare: 0 },
  altitude_m = 0,
  core = coreOf(radiatorPart, radiatorPart.sections),
): number =>
  radiatorConductance(core, {
    airFlow_m3h,
    coolantFlow_Lmin,
    air: air(25, altitude_m),
    coolant: coolantProperties(coolant, 35),
    factors: INSTALLATION,
  }).conductance_WK;

describe('a radiator on its own', () => {
  test('more coolant takes more heat, from a trickle on, and never jumps', () => {
    for (const flow of [40, 120, 300])
      expectSwept(
        range(Math.log(0.1), Math.log(15), 300).map((x) => conductance(flow, Math.exp(x))),
        'rises',
        0.05,
      );
  });

  test('the step that was at Re 2,300 is gone: 0.02 L/min more never brings 1 %', () => {
    for (const q of range(0.5, 15, 725)) {
      const before = conductance(200, q),
        after = conductance(200, q + 0.02);
      if (q > 1) expect(after / before - 1).toBeLessThan(0.01);
    }
  });

  test('more air takes more heat', () => {
    for (const q of [1, 4, 10])
      expectSwept(
        range(5, 500, 198).map((flow) => conductance(flow, q)),
        'rises',
        0.1,
      );
  });

  test('glycol takes less, the more of it the less', () => {
    for (const glycol of ['ethylene', 'propylene'] as const)
      expectSwept(
        range(0, 0.4, 40).map((volumeShare) => conductance(200, 4, { glycol, volumeShare })),
        'falls',
        0.12,
      );
  });

  test('thin air takes less', () => {
    expectSwept(
      range(0, 4000, 40).map((m) => conductance(200, 4, undefined, m)),
      'falls',
      0.05,
    );
  });

  test('a thicker core takes more at the same air', () => {
    const thick = range(15, 80, 65).map((depth_mm) =>
      conductance(200, 4, undefined, 0, {
        ...coreOf(radiatorPart, radiatorPart.sections),
        depth_mm,
      }),
    );
    expectSwept(thick, 'rises', 0.2);
  });

  test('a longer core takes more', () => {
    const core = coreOf(radiatorPart, radiatorPart.sections);
    expectSwept(
      range(0.2, 3, 56).map((f) =>
        conductance(200 * f, 4, undefined, 0, { ...core, length_mm: core.length_mm * f }),
      ),
      'rises',
      0.06,
    );
  });

  test('what it can take is bounded by its air and its coolant', () => {
    for (const flow of range(10, 400, 20))
      for (const q of [0.2, 1, 4, 12]) {
        const k = conductance(flow, q),
          a = air(25),
          w = water(35);
        const airside = (flow / 3600) * INSTALLATION.airFlow * a.density_kgm3 * a.heatCapacity_JkgK;
        const coolantside = (q / 60_000) * w.density_kgm3 * w.heatCapacity_JkgK;
        // Still air takes a little of its own.
        expect(k).toBeLessThanOrEqual(Math.min(Math.max(airside, 2), coolantside) * 1.001);
      }
  });
});

describe('fans on a radiator', () => {
  test('air rises with speed without a jump, on one face and on both', () => {
    const speeds = range(0, fanPart.fullSpeed_rpm, 60);
    for (const faces of [1, 2]) {
      const flows = speeds.map(
        (s) => radiatorWind(setUp(Array.from({ length: faces }, () => s)), air(25)).flow_m3h,
      );
      expectSwept(flows, 'rises', 0.06);
    }
  });

  test('the pull set slowed down to a stop takes air away, little by little', () => {
    const flows = range(fanPart.fullSpeed_rpm, 0, 60).map(
      (pull) => radiatorWind(setUp([fanPart.fullSpeed_rpm, pull]), air(25)).flow_m3h,
    );
    expectSwept(flows, 'falls', 0.06);
    const alone = radiatorWind(setUp([fanPart.fullSpeed_rpm]), air(25)).flow_m3h;
    // One that stands holds back: less than the other would move alone.
    expect(flows.at(-1)).toBeLessThan(alone);
    expect(flows[0]).toBeGreaterThan(alone);
  });

  test('which of two unlike sets stands in front does not matter', () => {
    for (const [a, b] of [
      [500, 1100],
      [300, 1200],
      [0, 900],
    ] as const)
      expect(radiatorWind(setUp([a, b]), air(25)).flow_m3h).toBeCloseTo(
        radiatorWind(setUp([b, a]), air(25)).flow_m3h,
        6,
      );
  });

  test('every fan of the catalogue on every radiator of its size moves something, less than free', () => {
    const fans = CATALOGUE.filter((p): p is FanPart => p.kind === 'fan');
    const radiators = CATALOGUE.filter((p): p is RadiatorPart => p.kind === 'radiator');
    let tried = 0;
    for (const fan of fans)
      for (const part of radiators.filter((r) => r.section_mm === fan.section_mm).slice(0, 6)) {
        const base = setUp([fan.fullSpeed_rpm], part);
        const [set] = base.fans;
        const setup = {
          ...base,
          fans: [
            {
              ...(set as RadiatorSetup['fans'][number]),
              part: fan,
              curve: fanCurve(fan.points, fan.fullSpeed_rpm),
            },
          ],
        };
        const each = radiatorWind(setup, air(25)).flow_m3h / part.sections;
        expect(each).toBeGreaterThan(0);
        expect(each).toBeLessThanOrEqual((fan.points.at(-1)?.[0] ?? 0) + 1e-6);
        tried += 1;
      }
    expect(tried).toBeGreaterThan(20);
  });
});

describe('a whole machine', () => {
  const rise = (design: Design): number => {
    const { heat } = analyse(design).reports;
    return heat.stress.loops[0]?.deltaT_K ?? NaN;
  };

  test('faster fans: cooler and louder', () => {
    const designs = range(400, 1200, 16).map((speed_rpm) =>
      edited({ do: 'fans.speed', speed_rpm }),
    );
    expectSwept(designs.map(rise), 'falls', 0.25);
    expectSwept(
      designs.map((d) => noiseOf(analyse(d).thermalModel)),
      'rises',
      0.3,
    );
  });

  test('a faster pump: more flow, and every hot spot cooler', () => {
    const analyses = range(1600, 4800, 16).map((speed_rpm) =>
      analyse(edited({ do: 'component.set', component: 'pump', values: { speed_rpm } })),
    );
    expectSwept(
      analyses.map((a) => a.reports.flow.loops[0]?.flow_Lmin ?? NaN),
      'rises',
      0.1,
    );
    const spots = analyses[0]?.reports.heat.stress.hotSpots.filter((s) => s.cooledBy) ?? [];
    expect(spots.length).toBeGreaterThan(0);
    for (const { component, hotSpot } of spots) {
      const temps = analyses.map((a) => {
        const found = a.reports.heat.stress.hotSpots.find(
          (s) => s.component === component && s.hotSpot === hotSpot,
        );
        // The pump's own heat goes up with the cube of its speed: left out of the comparison.
        return (found?.temp_C ?? NaN) - (a.reports.heat.stress.loops[0]?.hottest_C ?? NaN);
      });
      for (let i = 1; i < temps.length; i += 1)
        expect(temps[i] as number).toBeLessThanOrEqual((temps[i - 1] as number) + 0.35);
    }
  });

  test('beyond its range a pump does no more, and below it no less', () => {
    const flow = (speed_rpm: number): number =>
      analyse(edited({ do: 'component.set', component: 'pump', values: { speed_rpm } })).reports
        .flow.loops[0]?.flow_Lmin ?? NaN;
    const pump = findComponent(desk, 'pump')?.part;
    if (pump?.kind !== 'pump') throw new Error('the demo lost its pump');
    expect(flow(2 * pump.fullSpeed_rpm)).toBe(flow(pump.fullSpeed_rpm));
    expect(flow(pump.minSpeed_rpm / 2)).toBe(flow(pump.minSpeed_rpm));
    expect(flow(0)).toBeLessThan(1e-6);
  });

  test('a warmer room warms the coolant by as much', () => {
    const mean = (room_C: number): number =>
      analyse(edited({ do: 'brief.set', values: { room_C } })).reports.heat.stress.loops[0]
        ?.mean_C ?? NaN;
    const means = range(10, 35, 10).map(mean);
    for (let i = 1; i < means.length; i += 1)
      expect(Math.abs((means[i] as number) - (means[i - 1] as number) - 2.5)).toBeLessThan(0.25);
  });

  test('height above the sea warms it, without a jump', () => {
    expectSwept(
      range(0, 3000, 12).map((altitude_m) =>
        rise(edited({ do: 'brief.set', values: { altitude_m } })),
      ),
      'rises',
      0.2,
    );
  });

  test('glycol in the loop warms every part', () => {
    const hottest = (volumeShare: number): number => {
      const loops = desk.loops.map((loop) => ({
        ...loop,
        coolant: {
          ...loop.coolant,
          base:
            volumeShare > 0
              ? { glycol: 'ethylene' as const, volumeShare }
              : { glycol: 'none' as const, volumeShare: 0 },
        },
      }));
      const spots = analyse({ ...desk, loops }).reports.heat.stress.hotSpots;
      return Math.max(...spots.flatMap((s) => (s.cooledBy && s.temp_C !== null ? [s.temp_C] : [])));
    };
    const temps = range(0, 0.35, 7).map(hottest);
    expectSwept(temps, 'rises', 0.4);
    // Common practice, no source: a third of glycol costs the hottest part one to five kelvin.
    const costs = (temps.at(-1) as number) - (temps[0] as number);
    expect(costs).toBeGreaterThan(1);
    expect(costs).toBeLessThan(6);
  });
});
