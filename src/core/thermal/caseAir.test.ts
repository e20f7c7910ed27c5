import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { applyEdit, type Design } from '../design';
import { air } from '../fluids';
import { airAlone, airSensitivity, type ThermalModel } from '.';
import { airStreams, caseAirOf, caseFanRow, radiatorRow, wallConductance, wayOf } from './caseAir';

const desk = demoDesign('dawn-chorus-desk') as Design;
const { thermalModel, reports } = analyse(desk);
const roomAir = { ...air(25), density_kgm3: 1.2 };

describe('rows of fans in the case', () => {
  test('a bare fan meets its filter and a grille of 2 Pa at 1 m/s, by density', () => {
    const [bare] = thermalModel.caseFans;
    if (!bare) throw new Error('the demo lost its rear fan');
    const mount = bare.filterLoss_Pa;
    expect(caseFanRow(bare, roomAir).drag).toEqual({ linear: 0, square: mount + 2 });
    const thin = { ...roomAir, density_kgm3: 0.9 };
    expect(caseFanRow(bare, thin).drag.square).toBeCloseTo(((mount + 2) * 0.9) / 1.2, 9);
    expect(caseFanRow(bare, roomAir).face_m2).toBeCloseTo(0.12 ** 2, 9);
  });

  test('a radiator with fans in push-pull has both in its row; its filter counts by the square', () => {
    const [radiator] = thermalModel.radiators;
    if (!radiator) throw new Error('the demo lost its radiators');
    const both = { ...radiator, fans: [...radiator.fans, ...radiator.fans] };
    expect(radiatorRow(both, roomAir).fans).toHaveLength(2 * radiator.fans.length);
    const more = { ...radiator, filterLoss_Pa: radiator.filterLoss_Pa + 4 };
    expect(
      radiatorRow(more, roomAir).drag.square - radiatorRow(radiator, roomAir).drag.square,
    ).toBeCloseTo(4, 9);
    const alone = (r: typeof radiator): number =>
      airAlone({ ...thermalModel, radiators: [r] }, roomAir).get(r.id) ?? NaN;
    expect(alone(both)).toBeGreaterThan(1.15 * alone(radiator));
  });

  test('the way the air goes: with its fans, or against them', () => {
    expect(wayOf({ air: 'in' }, 5)).toBe('in');
    expect(wayOf({ air: 'in' }, -5)).toBe('out');
    expect(wayOf({ air: 'out' }, -5)).toBe('in');
  });
});

describe('a case with a closed basement', () => {
  const withFloor = (air: 'in' | 'out'): Design =>
    [
      { do: 'case.choose', case: catalogued('case', 'case-undercroft-68') } as const,
      {
        do: 'component.add',
        component: {
          id: 'floor-fan',
          name: 'Floor fan',
          part: catalogued('fan', 'fan-wren-120-1200'),
          placement: { on: 'mount', mount: 'bottom', slide_mm: 0, ports: 'end', air },
          settings: {},
        },
      } as const,
    ].reduce<Design>((design, edit) => applyEdit(design, edit).design, desk);

  test.each(['in', 'out'] as const)(
    'what its floor fan moves (%s) passes through the slots and the vent of the basement',
    (way) => {
      const { reports: now } = analyse(withFloor(way));
      const { caseFans, openings, chambers } = now.heat.stress;
      expect(chambers.map((c) => c.id)).toEqual(['main', 'basement']);
      const fan = caseFans.find((f) => f.id === 'floor-fan')?.airFlow_m3h ?? NaN;
      const into = openings.reduce((sum, o) => {
        if (o.to === 'basement') return sum + o.airFlow_m3h;
        return o.from === 'basement' ? sum - o.airFlow_m3h : sum;
      }, 0);
      expect(fan).toBeGreaterThan(20);
      expect(into / fan).toBeCloseTo(way === 'in' ? -1 : 1, 6);
      const [main, basement] = chambers;
      expect(Math.sign((basement?.pressure_Pa ?? 0) - (main?.pressure_Pa ?? 0))).toBe(
        way === 'in' ? 1 : -1,
      );
    },
  );

  test('a floor fan drawing in keeps the basement at the room, one blowing out warms it from above', () => {
    const basementOver = (way: 'in' | 'out'): number => {
      const design = withFloor(way),
        { chambers } = analyse(design).reports.heat.stress;
      return (chambers[1]?.temp_C ?? NaN) - design.brief.room_C;
    };
    expect(basementOver('in')).toBeLessThan(1);
    expect(basementOver('out')).toBeGreaterThan(1);
  });
});

describe('what the case air exchanges', () => {
  /** Walls: 5 W/(m² K) over six sides of 455 × 465 × 200 mm: 0.791 m², 3.957 W/K. */
  test('through its walls', () => {
    expect(wallConductance(thermalModel)).toBeCloseTo(3.957, 2);
    expect(wallConductance({ ...thermalModel, chambers: [] })).toBe(0);
  });

  test('all that is blown and drawn in carries ρ c of heat a second; what leaves is not counted', () => {
    const state = caseAirOf(thermalModel, roomAir);
    const into = airStreams(thermalModel, roomAir, state).reduce((s, x) => s + x.capacity_WK, 0);
    const drawn =
      state.intake_m3h + state.solution.openings.reduce((sum, q) => sum + Math.max(0, q), 0);
    expect(into).toBeCloseTo((drawn * 1.2 * 1006) / 3600, 6);
  });

  /** With nothing turning 12 m³/h find their way by warmth (common practice, no source). */
  test('a draught where no fan turns', () => {
    const still: ThermalModel = { ...thermalModel, radiators: [], caseFans: [] };
    const into = airStreams(still, roomAir, caseAirOf(still, roomAir));
    expect(into.reduce((s, x) => s + x.capacity_WK, 0)).toBeCloseTo((12 * 1.2 * 1006) / 3600, 6);
  });
});

describe('what the case does to the coolant', () => {
  const turned = applyEdit(desk, {
    do: 'component.place',
    component: 'top-radiator',
    placement: {
      ...(desk.components.find((c) => c.id === 'top-radiator')?.placement as {
        on: 'mount';
        mount: string;
        slide_mm: number;
        ports: 'end';
      }),
      air: 'out',
    },
  }).design;

  test('an open frame is coolest, a taped one warmest', () => {
    for (const design of [desk, turned]) {
      const a = analyse(design);
      const s = airSensitivity(a.thermalModel, a.reports.flow, 'stress');
      expect(s.openFrame_K ?? NaN).toBeLessThan(s.asItIs_K ?? NaN);
      expect(s.sealed_K ?? NaN).toBeGreaterThan(s.asItIs_K ?? NaN);
      expect(s.asItIs_K).toBeCloseTo(a.reports.heat.stress.loops[0]?.deltaT_K ?? NaN, 9);
    }
  });

  /** A newcomer's build: front in, top out. Plausible: some kelvins over all in, nothing starved. */
  test('front in and top out is a little warmer than both in, and no radiator idles', () => {
    const both = reports.heat.stress.loops[0]?.deltaT_K ?? NaN;
    const { heat } = analyse(turned).reports;
    const usual = heat.stress.loops[0]?.deltaT_K ?? NaN;
    expect(usual - both).toBeGreaterThan(0.2);
    expect(usual - both).toBeLessThan(6);
    for (const r of heat.stress.radiators) expect(r.heat_W ?? 0).toBeGreaterThan(40);
  });
});
