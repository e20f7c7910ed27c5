import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import minorFile from '@reference/minor.json';
import { water } from '../fluids';
import {
  bendExtraK,
  bendK,
  clogCurve,
  fitLossCurve,
  headToPressure,
  linkDrop,
  linkSlope,
  lossDrop,
  pressureToHead,
  pumpCurve,
  pumpHead,
  reynolds,
  scaleCurve,
  TEE_K,
  teeDrops,
  type NetworkLink,
  type TubeLoss,
} from '.';

describe('parts with a measured curve', () => {
  test('points of an exact curve give its coefficients back', () => {
    const fit = fitLossCurve([1, 2, 4, 6].map((q) => [q, 0.4 * q + 0.3 * q * q] as const));
    expect(fit.a).toBeCloseTo(0.4, 9);
    expect(fit.b).toBeCloseTo(0.3, 9);
    expect(fit.residual_kPa).toBeLessThan(1e-9);
  });

  test('coefficients never turn negative', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0.1, max: 8, noNaN: true }),
            fc.double({ min: 0, max: 40, noNaN: true }),
          ),
          { minLength: 1, maxLength: 8 },
        ),
        (points) => {
          const fit = fitLossCurve(points);
          expect(fit.a).toBeGreaterThanOrEqual(0);
          expect(fit.b).toBeGreaterThanOrEqual(0);
          expect(Number.isFinite(fit.residual_kPa)).toBe(true);
        },
      ),
    );
  });

  test('one point alone is taken as quadratic or linear, never refused', () => {
    const fit = fitLossCurve([[4, 8]]);
    expect(lossDrop(fit, 4)).toBeCloseTo(8, 9);
  });

  test('without a point of positive flow there is no curve', () => {
    expect(() => fitLossCurve([[0, 0]])).toThrow(RangeError);
    expect(() => fitLossCurve([])).toThrow(RangeError);
  });

  test('the slope is the derivative, and the drop is odd', () => {
    const link: NetworkLink = {
      id: 'x',
      from: 'a',
      to: 'b',
      curve: scaleCurve({ a: 0.3, b: 0.5 }, { viscosityRatio: 1.2, densityRatio: 1.02 }),
    };
    const fluid = water(30),
      h = 1e-6;
    expect(linkSlope(link, 3, fluid)).toBeCloseTo(
      (linkDrop(link, 3 + h, fluid) - linkDrop(link, 3 - h, fluid)) / (2 * h),
      5,
    );
    expect(linkDrop(link, -3, fluid)).toBe(-linkDrop(link, 3, fluid));
    expect(linkDrop(link, 2, fluid)).toBeCloseTo(1.2 * 0.3 * 2 + 1.02 * 0.5 * 4, 12);
  });

  test('half the channels plugged: the same as twice the flow through the rest', () => {
    const curve = { a: 0.3, b: 0.5 };
    for (const share of [0.25, 0.5, 0.75])
      expect(lossDrop(clogCurve(curve, share), 3)).toBeCloseTo(
        lossDrop(curve, 3 / (1 - share)),
        10,
      );
    expect(() => clogCurve(curve, 1)).toThrow(RangeError);
    expect(() => clogCurve(curve, -0.1)).toThrow(RangeError);
  });
});

describe('pump', () => {
  const pump = pumpCurve(
    [
      [0, 4],
      [5, 3.5],
      [10, 2.7],
      [15, 1.7],
    ],
    4800,
  );

  /** Affinity laws (any pump handbook): head with the square of speed, flow with speed. */
  test('affinity', () => {
    expect(pumpHead(pump, 5, 0.5).head_m).toBeCloseTo(0.25 * pumpHead(pump, 10, 1).head_m, 12);
    expect(pumpHead(pump, 0, 0.7).head_m).toBeCloseTo(0.49 * 4, 12);
  });

  /** The laws' limit as speed goes to nothing: H = s² h(Q/s) with h falling as Q² leaves − b Q². */
  test('a stopped pump gives nothing and takes with the square of the flow', () => {
    expect(pumpHead(pump, 0, 0).head_m).toBeCloseTo(0, 12);
    expect(pumpHead(pump, 3, 0).head_m).toBeCloseTo((-9 * (4 - 1.7)) / 225, 12);
    expect(pumpHead(pump, -3, 0).head_m).toBeCloseTo((9 * (4 - 1.7)) / 225, 12);
  });

  test('a rising head is refused with the place', () => {
    expect(() =>
      pumpCurve(
        [
          [0, 3],
          [2, 3.2],
        ],
        4800,
      ),
    ).toThrow('point 2');
  });

  test('a metre of water at 20 °C is 9.789 kPa', () => {
    expect(headToPressure(1, water(20).density_kgm3)).toBeCloseTo(9.789, 3);
    expect(pressureToHead(headToPressure(2.5, 1040), 1040)).toBeCloseTo(2.5, 12);
  });
});

const piped = (pipe: TubeLoss): NetworkLink => ({ id: 't', from: 'a', to: 'b', pipe });

describe('tubes', () => {
  interface Row {
    id: string;
    inputs: {
      flow_L_min: number;
      bore_mm: number;
      length_m: number;
      K_sum: number;
      density: number;
      viscosity: number;
    };
    expected: { Re: number; friction_Pa: number; minor_Pa: number; total_Pa: number };
  }
  const strings = (minorFile.cases as unknown as Row[]).filter((c) => c.id.startsWith('string'));

  /**
   * Whole strings of reference/minor.json: Darcy–Weisbach with Colebrook and a sum of K, by
   * python3-fluids.
   */
  test.each(strings.map((c) => [c.id, c] as const))('%s', (_, c) => {
    const fluid = {
      ...water(25),
      density_kgm3: c.inputs.density,
      viscosity_Pas: c.inputs.viscosity,
    };
    const tube = {
      length_mm: c.inputs.length_m * 1000,
      bore_mm: c.inputs.bore_mm,
      minor: [{ k: c.inputs.K_sum, bore_mm: c.inputs.bore_mm, of: 'all' }],
    };
    const re = reynolds(c.inputs.flow_L_min, c.inputs.bore_mm, fluid);
    expect(re / c.expected.Re).toBeCloseTo(1, 4);
    const got = linkDrop(piped(tube), c.inputs.flow_L_min, fluid) * 1000;
    const between = re > 2000 && re < 4000;
    expect(Math.abs(got / c.expected.total_Pa - 1)).toBeLessThan(between ? 0.3 : 0.001);
  });

  test('slope at rest is the laminar one, and finite', () => {
    const tube = { length_mm: 500, bore_mm: 10, minor: [] };
    const slope = linkSlope(piped(tube), 0, water(30));
    expect(slope).toBeGreaterThan(0);
    expect(linkDrop(piped(tube), 0.001, water(30)) / 0.001 / slope).toBeCloseTo(1, 6);
    expect(linkDrop(piped(tube), 0, water(30))).toBe(0);
  });

  /**
   * Crane's K of a bend holds its own length. By hand, bore 10 mm: fT = 0.25 / lg²(0.0457/10/3.7) =
   * 0.02956; r/d 2: 12 fT less π fT = 0.2619; r/d 10: 30 fT less 15.71 fT = 0.4225.
   */
  test('beyond the length of its arc a bend costs less than its K', () => {
    expect(bendExtraK(20, 10, 90)).toBeCloseTo(0.2619, 3);
    expect(bendExtraK(100, 10, 90)).toBeCloseTo(0.4225, 3);
    expect(bendExtraK(20, 10, 45)).toBeCloseTo(0.2619 / 2, 3);
    expect(bendExtraK(500, 10, 90)).toBe(bendExtraK(200, 10, 90));
  });

  test('a bend of no angle costs nothing; ratios beyond the table take its end', () => {
    expect(bendK(30, 10, 0)).toBe(0);
    expect(bendK(5, 10, 90)).toBe(bendK(10, 10, 90));
    expect(bendK(500, 10, 90)).toBe(bendK(200, 10, 90));
  });
});

describe('tees whose side way carries all', () => {
  /** By hand: 2 + 3 (s² − s) joining, 1 + 1.5 s² dividing (Idelchik, ch. 7, from memory). */
  test.each([
    [0.5, 1.25, 1.375],
    [1, 2, 2.5],
    [0.2, 1.52, 1.06],
  ])('at a share of %d: %d joining, %d dividing', (share, joining, dividing) => {
    expect(TEE_K.endsJoining(share)).toBeCloseTo(joining, 9);
    expect(TEE_K.endsDividing(share)).toBeCloseTo(dividing, 9);
  });

  /**
   * 3 L/min of 1,000 kg/m³ in a bore of 10 mm: 0.6366 m/s, 0.20264 kPa. Both ends bring half: each
   * loses 1.25 heads on its way in. The side way feeds both: each end takes 1.375 heads, against its
   * way into the middle.
   */
  test('drops have their sign by the way the flow goes', () => {
    const joined = teeDrops({ 'run-a': 1.5, 'run-b': 1.5, branch: -3 }, 10, 1000);
    expect(joined['run-a']).toBeCloseTo(1.25 * 0.20264, 4);
    expect(joined['run-b']).toBeCloseTo(1.25 * 0.20264, 4);
    expect(joined.branch).toBe(0);
    const parted = teeDrops({ 'run-a': -1.5, 'run-b': -1.5, branch: 3 }, 10, 1000);
    expect(parted['run-a']).toBeCloseTo(-1.375 * 0.20264, 4);
    expect(parted['run-b']).toBeCloseTo(-1.375 * 0.20264, 4);
    expect(parted.branch).toBe(0);
  });
});
