import { describe, expect, test } from '@jest/globals';
import { water } from '../fluids';
import {
  bendK,
  craneFt,
  frictionInto,
  linkDrop,
  linkSlope,
  operatingCurves,
  pumpCurve,
  pumpMargin,
  slowestShareFor,
  type FlowNetwork,
  type NetworkLink,
} from '.';

/** Newton goes by slopes: each must be what the drop itself shows. */
const STEP = 1e-5;
const slopeOf = (f: (x: number) => number, x: number): number =>
  (f(x + STEP * x) - f(x - STEP * x)) / (2 * STEP * x);
const near = (a: number, b: number, share = 1e-4): void =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(share * Math.abs(b) + 1e-12);

const fluid = water(25);
const pump = pumpCurve(
  [
    [0, 4],
    [4, 3.4],
    [8, 2.2],
    [12, 0.4],
  ],
  4800,
);
const ends = { id: 'l', from: 'a', to: 'b' };

describe('slopes are those of the drops', () => {
  test.each([600, 1999, 2100, 2600, 3300, 3950, 4200, 9000, 60_000])('friction at Re %d', (re) => {
    const out = new Float64Array(2);
    const factor = (at: number): number => {
      frictionInto(at, 0.0002, out);
      return out[0] as number;
    };
    const by = slopeOf(factor, re);
    frictionInto(re, 0.0002, out);
    near(out[1] as number, by, 2e-3);
  });

  const LINKS: readonly (readonly [string, NetworkLink])[] = [
    ['a part', { ...ends, curve: { a: 0.3, b: 0.2 } }],
    [
      'a tube with fittings',
      {
        ...ends,
        pipe: {
          length_mm: 700,
          bore_mm: 10,
          minor: [
            { k: 1.2, bore_mm: 9, of: 'fitting' },
            { k: 0.4, bore_mm: 10, of: 'bends' },
          ],
          measured: [{ a: 0.05, b: 0.04, of: 'other fitting' }],
        },
      },
    ],
    ['a pump', { ...ends, pump: { curve: pump, speed: 0.8 } }],
    ['a pump that stands', { ...ends, pump: { curve: pump, speed: 0 } }],
  ];
  test.each(LINKS)('%s', (_, link) => {
    for (const q of [0.4, 1.5, 3, 6.5, -2]) {
      const by = slopeOf((x) => linkDrop(link, x, fluid), q);
      // A pump's slope is kept above a little, so that the equations stay sound.
      near(linkSlope(link, q, fluid), by, 2e-3);
    }
  });

  test('a drop is odd in its flow, but for a pump', () => {
    for (const [, link] of LINKS.slice(0, 2))
      near(linkDrop(link, -3, fluid), -linkDrop(link, 3, fluid), 1e-12);
  });
});

describe('pump against loop', () => {
  /** One pump against 0.5 Q²: what is taken and given by hand. */
  const network: FlowNetwork = {
    fluid,
    fixed: ['a'],
    links: [
      { id: 'pump', from: 'a', to: 'b', pump: { curve: pump, speed: 1 } },
      { id: 'loop', from: 'b', to: 'a', curve: { a: 0, b: 0.5 } },
    ],
  };
  const kPa = (head_m: number): number => (fluid.density_kgm3 * 9.80665 * head_m) / 1000;

  test('the curves are those of the parts', () => {
    const curves = operatingCurves(network);
    near(curves?.systemCurve(4) ?? NaN, 8, 1e-6);
    near(curves?.pumpCurve(4) ?? NaN, kPa(3.4), 1e-6);
    // By the affinity laws: half the speed at half the flow gives a quarter of the head.
    near(curves?.pumpCurve(2, 0.5) ?? NaN, kPa(3.4) / 4, 1e-6);
    near(pumpMargin(network, 4) ?? NaN, kPa(3.4) / 8 - 1, 1e-6);
    // Where the loop wants but 0.08 kPa there is much to spare, and it is told.
    near(1 + (pumpMargin(network, 0.4) ?? NaN), (curves?.pumpCurve(0.4) ?? NaN) / 0.08, 1e-6);
  });

  test('no pump, no curves', () => {
    const still = { ...network, links: network.links.slice(1) };
    expect(operatingCurves(still)).toBeNull();
    expect(slowestShareFor(still, 2)).toBeNull();
  });

  test('the slowest speed: where the head at it is what is taken', () => {
    const share = slowestShareFor(network, 3) ?? NaN;
    const curves = operatingCurves(network);
    near(curves?.pumpCurve(3, share) ?? NaN, 0.5 * 9, 0.005);
    expect(slowestShareFor(network, 1e-3)).toBeCloseTo(0.02, 9);
    expect(slowestShareFor(network, 50)).toBeNull();
  });
});

describe('bends of the table', () => {
  /** Crane TP-410, page A-29, from memory: multiples of fT by r/d. */
  test.each([
    [1, 20],
    [1.5, 14],
    [2, 12],
    [3, 12],
    [4, 14],
    [6, 17],
    [8, 24],
    [10, 30],
    [12, 34],
    [14, 38],
    [16, 42],
    [20, 50],
    [7, 20.5],
  ])('r/d %d: %d fT', (ratio, multiple) => {
    near(bendK(10 * ratio, 10, 90), multiple * craneFt(10), 1e-9);
  });
});
