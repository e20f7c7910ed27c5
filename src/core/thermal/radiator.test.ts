import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { practiceConductance, practiceCore } from '../../proof/cooling';
import { air, water } from '../fluids';
import {
  coreDrag,
  counterflowEffectiveness,
  crossflowEffectiveness,
  fanAgainst,
  fansAgainst,
  fanCurve,
  fanPressure,
  flatTubeNusselt,
  gnielinski,
  INSTALLATION,
  radiatorConductance,
} from '.';

const at = (core: ReturnType<typeof practiceCore>, airFlow_m3h: number, coolantFlow_Lmin = 4) =>
  radiatorConductance(core, { airFlow_m3h, coolantFlow_Lmin, air: air(25), coolant: water(32) });

describe('inside a flat tube', () => {
  /** Gnielinski 1976 at Re 10,000, Pr 5, worked by hand: f = 0.03148, Nu = 69.91. */
  test('laminar, turbulent, and weighed between without a jump', () => {
    expect(flatTubeNusselt(1000, 5)).toBe(7.54);
    expect(flatTubeNusselt(10_000, 5)).toBeCloseTo(69.91, 1);
    expect(flatTubeNusselt(6150, 5)).toBeCloseTo((7.54 + 69.91) / 2, 1);
    for (let re = 2000; re < 11_000; re += 10)
      expect(Math.abs(flatTubeNusselt(re + 10, 5) - flatTubeNusselt(re, 5))).toBeLessThan(0.15);
  });
});

describe('effectiveness', () => {
  test('limits: nothing at NTU 0, all of it at large NTU and ratio 0', () => {
    expect(crossflowEffectiveness(0, 0.5)).toBe(0);
    expect(crossflowEffectiveness(20, 0)).toBeCloseTo(1, 6);
  });

  test('never better than counterflow, never worse than nothing, and rising with NTU', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 6, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        (ntu, ratio) => {
          const e = crossflowEffectiveness(ntu, ratio);
          expect(e).toBeGreaterThan(0);
          expect(e).toBeLessThanOrEqual(counterflowEffectiveness(ntu, ratio) + 1e-9);
          expect(crossflowEffectiveness(ntu * 1.05, ratio)).toBeGreaterThanOrEqual(e - 1e-12);
        },
      ),
    );
  });
});

/** Rules of the trade (common practice, no source), as physics.md section 3 states them. */
describe('radiators behave as builders know them', () => {
  const thin = practiceCore(3, 16),
    thick = practiceCore(3, 16, 40),
    dense = practiceCore(3, 30);

  test('doubling the thickness gains under 10 % at 1,300 rpm', () => {
    const gain = practiceConductance(thick, 3, 1300) / practiceConductance(thin, 3, 1300) - 1;
    expect(gain).toBeGreaterThan(0);
    expect(gain).toBeLessThan(0.1);
  });

  test('and over 20 % at 1,850 rpm', () => {
    expect(
      practiceConductance(thick, 3, 1850) / practiceConductance(thin, 3, 1850) - 1,
    ).toBeGreaterThan(0.2);
  });

  test.each([750, 1000, 1300])('30 fins an inch lose to 16 at %p rpm', (rpm) => {
    expect(practiceConductance(dense, 3, rpm)).toBeLessThan(practiceConductance(thin, 3, rpm));
  });

  test('and win above 2,000 rpm', () => {
    expect(practiceConductance(dense, 3, 2100)).toBeGreaterThan(practiceConductance(thin, 3, 2100));
  });

  test('push and pull gains little on an open core, more when slow', () => {
    const gain = (rpm: number): number =>
      practiceConductance(thin, 3, rpm, 2) / practiceConductance(thin, 3, rpm) - 1;
    expect(gain(1850)).toBeLessThan(0.1);
    expect(gain(750)).toBeGreaterThan(gain(1850));
  });

  test('two sections carry two thirds of three', () => {
    expect(
      practiceConductance(practiceCore(2, 16), 2, 1300) / practiceConductance(thin, 3, 1300),
    ).toBeCloseTo(2 / 3, 1);
  });
});

describe('limits of the radiator', () => {
  const core = practiceCore(3, 16);

  test('no coolant flow, no heat', () => {
    expect(at(core, 100, 0).conductance_WK).toBe(0);
  });

  test('fans off leaves a natural-convection floor, small but not nothing', () => {
    const still = at(core, 0).conductance_WK;
    expect(still).toBeGreaterThan(0.1);
    expect(still).toBeLessThan(2);
  });

  test('never takes more than either stream can carry', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 400, noNaN: true }),
        fc.double({ min: 0.05, max: 8, noNaN: true }),
        (flow, q) => {
          const r = at(core, flow, q);
          const cAir = (flow / 3600) * INSTALLATION.airFlow * 1.18 * 1010,
            cCoolant = (q / 60000) * 1000 * 4200;
          expect(r.conductance_WK).toBeLessThanOrEqual(
            Math.max(2, Math.min(cAir, cCoolant) * 1.02),
          );
          expect(r.finEfficiency).toBeGreaterThan(0.5);
          expect(r.finEfficiency).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  test('more air never cools less', () => {
    let last = 0;
    for (let f = 5; f < 400; f += 10) {
      const k = at(core, f).conductance_WK;
      expect(k).toBeGreaterThanOrEqual(last);
      last = k;
    }
  });

  test('aluminium fins do a little worse than copper', () => {
    expect(at({ ...core, finConductivity_WmK: 200 }, 150).conductance_WK).toBeLessThan(
      at(core, 150).conductance_WK,
    );
  });

  /**
   * Incropera, example of water in a tube: Re 10,000, Pr 5.83 gives Nu near 68 by Gnielinski with a
   * smooth tube.
   */
  test("Gnielinski is in the handbook's range", () => {
    expect(gnielinski(10000, 5.83)).toBeGreaterThan(70);
    expect(gnielinski(10000, 5.83)).toBeLessThan(80);
  });
});

describe('fans', () => {
  const fan = fanCurve(
    [
      [0, 24],
      [40, 18],
      [80, 10],
      [120, 0],
    ],
    2000,
  );

  /** Fan laws (ASHRAE Handbook): flow with speed, pressure with its square. */
  test('half speed, half flow, a quarter of the pressure', () => {
    expect(fanPressure(fan, 20, 1000)).toBeCloseTo(18 / 4, 9);
  });

  test('against nothing it gives its free flow; against a wall none', () => {
    expect(fanAgainst(fan, 2000, 1, () => 0)).toBeCloseTo(120, 2);
    expect(fanAgainst(fan, 2000, 1, () => 1e9)).toBeLessThan(0.01);
    expect(fanAgainst(fan, 0, 1, () => 0)).toBe(0);
  });

  test('where it ends, pressure meets drag', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 400, max: 2000, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.05, noNaN: true }),
        (rpm, k) => {
          const q = fanAgainst(fan, rpm, 1, (f) => k * f * f);
          expect(Math.abs(fanPressure(fan, q, rpm) - k * q * q)).toBeLessThan(0.01);
        },
      ),
    );
  });

  test('two in a row push more through the same drag', () => {
    const drag = (f: number): number => 0.004 * f * f;
    expect(fanAgainst(fan, 1200, 2, drag)).toBeGreaterThan(fanAgainst(fan, 1200, 1, drag));
  });

  /**
   * Fans whose curve is a parabola, p = p₀(s² − (V/V₀)²), have one formula in a row against k V²,
   * whatever their speeds: V² = Σ p₀ s² / (k + Σ p₀/V₀²). Worked by hand from the fan laws.
   */
  test('unlike fans in a row: each by its own curve, one that stands holds the other back', () => {
    const parabola = (p0: number, v0: number) => {
      const at = Array.from({ length: 41 }, (_, i) => (v0 * i) / 40);
      return fanCurve(
        at.map((v) => [v, p0 * (1 - (v / v0) ** 2)] as const),
        2000,
      );
    };
    const strong = parabola(30, 120),
      weak = parabola(12, 80),
      k = 0.002;
    const byHand = (a: number, b: number): number =>
      Math.sqrt((30 * (a / 2000) ** 2 + 12 * (b / 2000) ** 2) / (k + 30 / 120 ** 2 + 12 / 80 ** 2));
    for (const [a, b] of [
      [1500, 1500],
      [1500, 300],
      [1500, 0],
      [1500, 1],
      [700, 1900],
    ] as const) {
      const flow = fansAgainst(
        [
          { curve: strong, speed_rpm: a },
          { curve: weak, speed_rpm: b },
        ],
        (v) => k * v * v,
      );
      expect(Math.abs(flow / byHand(a, b) - 1)).toBeLessThan(0.02);
    }
  });

  test('unlike fans in a row: the flow rises with each speed, and never jumps', () => {
    const other = fanCurve(
      [
        [0, 15],
        [60, 9],
        [90, 0],
      ],
      1500,
    );
    const flow = (a: number, b: number): number =>
      fansAgainst(
        [
          { curve: fan, speed_rpm: a },
          { curve: other, speed_rpm: b },
        ],
        (v) => 0.001 * v * v,
      );
    for (let rpm = 0; rpm < 1500; rpm += 10) {
      for (const [now, next] of [
        [flow(1200, rpm), flow(1200, rpm + 10)],
        [flow(rpm, 900), flow(rpm + 10, 900)],
      ] as const) {
        expect(next).toBeGreaterThanOrEqual(now - 1e-3);
        expect(next - now).toBeLessThan(2);
      }
    }
  });

  test('a curve that rises is refused', () => {
    expect(() =>
      fanCurve(
        [
          [0, 5],
          [50, 6],
        ],
        1000,
      ),
    ).toThrow(RangeError);
  });

  test('drag rises faster than the speed, slower than its square', () => {
    const core = practiceCore(1, 16);
    const ratio = coreDrag(core, 2, air(25)) / coreDrag(core, 1, air(25));
    expect(ratio).toBeGreaterThan(2);
    expect(ratio).toBeLessThan(4);
    expect(coreDrag(core, 0, air(25))).toBe(0);
  });
});
