import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import { air } from '../fluids';
import { compileSystem } from '../system';
import type { Design } from '../design';
import {
  fanCurve,
  faceSquare,
  openingSquare,
  openingsOf,
  perforatedHeads,
  solveAir,
  type AirModel,
  type AirOpening,
  type FanRow,
} from '.';

const ROOM_AIR_NOW = { ...air(22, 0), density_kgm3: 1.2 };

/** A fan whose curve is a parabola, p = p₀ (1 − (V/V₀)²): its balances have formulas. */
const parabola = (p0: number, v0: number) =>
  fanCurve(
    Array.from({ length: 81 }, (_, i) => (v0 * i) / 80).map(
      (v) => [v, p0 * (1 - (v / v0) ** 2)] as const,
    ),
    1000,
  );
const row = (id: string, way: 'in' | 'out', p0: number, v0: number, chamber = 'main'): FanRow => ({
  id,
  air: way,
  chamber,
  fans: [{ curve: parabola(p0, v0), speed_rpm: 1000 }],
  count: 1,
  face_m2: 1 / 3600,
  drag: { linear: 0, square: 0 },
});
const vent = (id: string, square: number, from = 'room', to = 'main'): AirOpening => ({
  id,
  name: id,
  from,
  to,
  area_cm2: 1,
  square,
});
const model = (
  rows: readonly FanRow[],
  openings: readonly AirOpening[],
  chambers: readonly string[] = ['main'],
): AirModel => ({ rows, openings, chambers, factor: 1, air: ROOM_AIR_NOW });

describe('openings', () => {
  /** Q = C_d A √(2 Δp/ρ) by hand: 0.6 × 0.01 m² × √(2 × 5 / 1.2) = 0.01732 m³/s = 62.35 m³/h. */
  test('100 cm² let 62.35 m³/h pass at 5 Pa', () => {
    expect(Math.sqrt(5 / openingSquare(100, 1.2))).toBeCloseTo(62.35, 2);
  });

  /** A half open sheet by hand: ((0.7071 × 0.5^0.375 + 0.5) / 0.5)² = 4.370. */
  test('a perforated sheet by its open share', () => {
    expect(perforatedHeads(0.5)).toBeCloseTo(4.37, 2);
    expect(perforatedHeads(1)).toBe(0);
    // Idelchik, diagram 8-1, from memory: 1.1 at 0.7 and about 53 at 0.2, to a twentieth.
    expect(Math.abs(perforatedHeads(0.2) / 52.4 - 1)).toBeLessThan(0.05);
  });

  test('a loss in Pa at 1 m/s over a face: 3 Pa on 400 cm² at 144 m³/h', () => {
    expect(faceSquare(3, 400) * 144 ** 2).toBeCloseTo(3, 9);
  });

  test('those of a case: its vents, free mounts and what is usual for seams', () => {
    const desk = demoDesign('dawn-chorus-desk') as Design;
    const areas = new Map(
      openingsOf(compileSystem(desk), 1.2).map((o) => [o.id, o.area_cm2] as const),
    );
    expect(areas.get('leaks')).toBe(45);
    // Three places of 120 mm, two taken by the radiator: 14.4 dm² are left.
    expect(areas.get('top')).toBeCloseTo(144, 6);
    expect(areas.has('front')).toBe(false);
    const of = (id: string) => openingsOf(compileSystem(desk), 1.2).find((o) => o.id === id);
    // Slot covers, half open: 4.370 heads of 0.6 Pa over 140 cm².
    expect(of('slots')?.square).toBeCloseTo(faceSquare(4.37 * 0.6, 140), 6);
    expect(of('leaks')?.square).toBeCloseTo(openingSquare(45, 1.2), 12);
    // The free part of the top mount: its filter and a grille of 2 Pa at 1 m/s, by density.
    const filter = desk.case?.mounts.find((m) => m.id === 'top')?.filterLoss_Pa ?? NaN;
    expect(of('top')?.square).toBeCloseTo(faceSquare(filter + 2, 144), 9);
    const thin = openingsOf(compileSystem(desk), 0.9).find((o) => o.id === 'top');
    expect((thin?.square ?? NaN) / (of('top')?.square ?? NaN)).toBeCloseTo(0.75, 9);
    const hole: Design = {
      ...desk,
      case: desk.case && {
        ...desk.case,
        air: { openings: [{ id: 'hole', name: 'Hole', area_cm2: 80 }] },
      },
    };
    expect(openingsOf(compileSystem(hole), 1.2).find((o) => o.id === 'hole')?.square).toBeCloseTo(
      openingSquare(80, 1.2),
      12,
    );
    const shut: Design = { ...desk, case: desk.case && { ...desk.case, air: { leakage_cm2: 0 } } };
    expect(openingsOf(compileSystem(shut), 1.2).map((o) => o.id)).toEqual(['top']);
    const open: Design = { ...desk, case: desk.case && { ...desk.case, air: { open: true } } };
    expect(openingsOf(compileSystem(open), 1.2)).toEqual([]);
  });
});

describe('the air of a case', () => {
  /** p₀ (1 − (V/V₀)²) = b V² gives V² = p₀ / (p₀/V₀² + b). */
  test('one fan in, one vent out: the formula', () => {
    const solved = solveAir(model([row('front', 'in', 20, 100)], [vent('rear', 0.004)]));
    const flow = Math.sqrt(20 / (20 / 100 ** 2 + 0.004));
    expect(solved.status).toBe('solved');
    expect(Math.abs((solved.rows[0]?.flow_m3h ?? NaN) / flow - 1)).toBeLessThan(0.003);
    expect(solved.openings[0]).toBeCloseTo(-(solved.rows[0]?.flow_m3h ?? NaN), 5);
    expect(Math.abs((solved.pressures_Pa[0] ?? NaN) / (0.004 * flow ** 2) - 1)).toBeLessThan(0.01);
  });

  /** Fans in and out of a tight case are in a row: V² = (p₁ + p₂) / (p₁/V₁² + p₂/V₂²). */
  test('fans in and out of a case without a vent work in a row', () => {
    const solved = solveAir(model([row('front', 'in', 20, 100), row('top', 'out', 10, 60)], []));
    const flow = Math.sqrt(30 / (20 / 100 ** 2 + 10 / 60 ** 2));
    for (const r of solved.rows) expect(Math.abs(r.flow_m3h / flow - 1)).toBeLessThan(0.003);
  });

  test('an exhaust radiator alone in a tight case starves; a vent lets it breathe', () => {
    const alone = (openings: readonly AirOpening[]): number =>
      solveAir(model([row('top', 'out', 12, 80)], openings)).rows[0]?.flow_m3h ?? NaN;
    expect(Math.abs(alone([]))).toBeLessThan(1e-6);
    expect(alone([vent('leaks', openingSquare(45, 1.2))])).toBeGreaterThan(25);
    expect(alone([vent('mesh', openingSquare(400, 1.2))])).toBeGreaterThan(70);
  });

  test('a weak fan against a strong one is blown through backwards, and told below 0', () => {
    const solved = solveAir(
      model([row('front', 'in', 40, 150), row('rear', 'in', 2, 30)], [vent('leaks', 0.02)]),
    );
    expect(solved.rows[0]?.flow_m3h ?? NaN).toBeGreaterThan(0);
    expect(solved.rows[1]?.flow_m3h ?? NaN).toBeLessThan(0);
  });

  /** A basement with its own fan: room → basement → main → room, losses in a row. */
  test('chambers in a row add their losses', () => {
    const solved = solveAir(
      model(
        [row('floor', 'in', 20, 100, 'basement')],
        [vent('shroud', 0.003, 'basement', 'main'), vent('mesh', 0.001)],
        ['main', 'basement'],
      ),
    );
    const flow = Math.sqrt(20 / (20 / 100 ** 2 + 0.004));
    expect(Math.abs((solved.openings[0] ?? NaN) / flow - 1)).toBeLessThan(0.003);
    expect((solved.pressures_Pa[1] ?? NaN) / (solved.pressures_Pa[0] ?? NaN)).toBeCloseTo(4, 1);
  });

  test('a row tells its drag and its speed, also of air that goes against it', () => {
    const dragging: FanRow = {
      ...row('front', 'in', 20, 100),
      count: 3,
      face_m2: 0.0144,
      drag: { linear: 0.7, square: 1.1 },
    };
    const [point] = solveAir(model([dragging], [], [])).rows;
    const v = (point?.flow_m3h ?? NaN) / 3 / 3600 / 0.0144;
    expect(point?.face_ms).toBeCloseTo(v, 9);
    expect(point?.drop_Pa).toBeCloseTo(0.7 * v + 1.1 * v * v, 9);
    // Where it stands, the fan gives what is dragged.
    expect(20 * (1 - ((point?.flow_m3h ?? NaN) / 300) ** 2)).toBeCloseTo(point?.drop_Pa ?? NaN, 1);
    const still = { ...dragging, fans: [{ curve: parabola(2, 30), speed_rpm: 0 }] };
    const blown = solveAir(model([row('other', 'in', 40, 150), still], []));
    expect(blown.rows[1]?.flow_m3h ?? NaN).toBeLessThan(0);
    expect(blown.rows[1]?.drop_Pa ?? NaN).toBeGreaterThan(0);
  });

  test('on an open frame each stands alone', () => {
    const open = solveAir(model([row('a', 'in', 20, 100), row('b', 'out', 10, 60)], [], []));
    expect(open.status).toBe('open');
    expect(open.rows.map((r) => r.flow_m3h)).toEqual([100, 60]);
  });

  test('whatever the fans and vents: what comes in goes out, and more vent means more air', () => {
    const strength = fc.double({ min: 2, max: 60, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.boolean(), strength, fc.double({ min: 20, max: 200, noNaN: true })), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.double({ min: 1e-5, max: 0.1, noNaN: true }),
        (fans, square) => {
          const rows = fans.map(([into, p0, v0], i) => row(`r${i}`, into ? 'in' : 'out', p0, v0));
          const solved = solveAir(model(rows, [vent('leaks', square)]));
          expect(solved.status).toBe('solved');
          const balance = solved.rows.reduce(
            (sum, r, i) => sum + (fans[i]?.[0] ? r.flow_m3h : -r.flow_m3h),
            solved.openings[0] as number,
          );
          expect(Math.abs(balance)).toBeLessThan(1e-4);
          const wider = solveAir(model(rows, [vent('leaks', square / 2)]));
          expect(Math.abs(wider.openings[0] as number)).toBeGreaterThanOrEqual(
            Math.abs(solved.openings[0] as number) - 1e-6,
          );
        },
      ),
      { numRuns: 200, seed: 3 },
    );
  });
});
