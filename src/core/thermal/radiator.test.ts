import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { practiceConductance, practiceCore } from '../../proof/cooling';
import { coreDrag } from '../airflow';
import { air, water } from '../fluids';
import {
  counterflowEffectiveness,
  crossflowEffectiveness,
  flatTubeNusselt,
  gnielinski,
  INSTALLATION,
  radiatorConductance,
  STILL_AIR_WM2K,
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

  test('drag rises faster than the speed, slower than its square', () => {
    const core = practiceCore(1, 16);
    const ratio = coreDrag(core, 2, air(25)) / coreDrag(core, 1, air(25));
    expect(ratio).toBeGreaterThan(2);
    expect(ratio).toBeLessThan(4);
    expect(coreDrag(core, 0, air(25))).toBe(0);
  });

  /**
   * Both faces, natural convection of 5.5 W/(m² K) and 4 × 0.9 × 5.670e-8 × 308³ = 5.964: 22.93 W/K
   * per m² of face.
   */
  test('without wind it sheds by push-pull, by rising air and by radiation', () => {
    expect(STILL_AIR_WM2K).toBeCloseTo(22.93, 2);
    const core = practiceCore(2, 16);
    expect(at(core, 0).conductance_WK).toBeCloseTo(22.93 * 0.24 * 0.118, 3);
  });
});
