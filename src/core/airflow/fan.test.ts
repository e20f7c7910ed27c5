import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fanCurve, fanPressure, rowAlone, STANDARD_AIR_KGM3, type FanCurve } from '.';

/** Flow of fans in a row against k V², V in m³/h, in standard air. */
const against = (fans: readonly (readonly [FanCurve, number])[], k: number): number =>
  rowAlone(
    {
      id: 'row',
      air: 'in',
      chamber: 'main',
      fans: fans.map(([curve, speed_rpm]) => ({ curve, speed_rpm })),
      count: 1,
      face_m2: 1 / 3600,
      drag: { linear: 0, square: k },
    },
    STANDARD_AIR_KGM3,
  ).flow_m3h;

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
    expect(against([[fan, 2000]], 0)).toBeCloseTo(120, 2);
    expect(against([[fan, 2000]], 1e9)).toBeLessThan(0.01);
    expect(against([[fan, 0]], 0)).toBe(0);
  });

  test('where it ends, pressure meets drag', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 400, max: 2000, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.05, noNaN: true }),
        (rpm, k) => {
          const q = against([[fan, rpm]], k);
          expect(Math.abs(fanPressure(fan, q, rpm) - k * q * q)).toBeLessThan(0.01);
        },
      ),
    );
  });

  test('two in series push more through the same drag', () => {
    const one = [fan, 1200] as const;
    expect(against([one, one], 0.004)).toBeGreaterThan(against([one], 0.004));
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
      const flow = against(
        [
          [strong, a],
          [weak, b],
        ],
        k,
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
      against(
        [
          [fan, a],
          [other, b],
        ],
        0.001,
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

  /**
   * A curve that ends flat still holds back: a quarter of its fall over the square of its free flow.
   * 18 Pa and 120 m³/h: 18/(4 × 14,400) = 3.125e-4 Pa per (m³/h)².
   */
  test('past its free flow, and blown through backwards', () => {
    const flat = fanCurve(
      [
        [0, 18],
        [60, 0],
        [120, 0],
      ],
      2000,
    );
    expect(flat.pastFree).toBeCloseTo(18 / (4 * 120 ** 2), 12);
    expect(fanPressure(flat, 150, 2000)).toBeCloseTo(-3.125e-4 * (150 ** 2 - 120 ** 2), 9);
    expect(fanPressure(flat, -40, 2000)).toBeCloseTo(18 + 3.125e-4 * 1600, 9);
    expect(fanPressure(flat, -40, 1000)).toBeCloseTo(4.5 + 3.125e-4 * 1600, 9);
    expect(fanPressure(flat, 30, 0)).toBeCloseTo(-3.125e-4 * 900, 9);
  });
});
