import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  factorNetwork,
  heatThrough,
  junctionMixes,
  only,
  readMix,
  ROOM,
  solveNetwork,
  type Conductor,
  type ThermalFactors,
  type ThermalNetwork,
} from './network';

const ROOM_C = 21;

const wall = (from: number, into: number, conductance_WK: number): Conductor => ({
  conductance_WK,
  hot: only(from),
  cold: only(into),
  from,
  into,
});
const solved = (
  network: ThermalNetwork,
  source_W: readonly number[],
  start_C = ROOM_C,
  step_s = Infinity,
  steps = 1,
): Float64Array => {
  const factors = factorNetwork(network, step_s) as ThermalFactors;
  const temp_C = new Float64Array(source_W.length).fill(start_C);
  for (let i = 0; i < steps; i += 1)
    solveNetwork(factors, Float64Array.from(source_W), ROOM_C, temp_C);
  return temp_C;
};

describe('steady: A·T = b', () => {
  test('resistances in series: each rises by P × R (Incropera, chapter 3, from memory)', () => {
    const chain: ThermalNetwork = {
      capacity_JK: new Float64Array(2),
      streams: [],
      conductors: [wall(0, 1, 1 / 0.04), wall(1, ROOM, 1 / 0.25)],
    };
    const [inner, outer] = solved(chain, [120, 0]);
    expect(outer).toBeCloseTo(ROOM_C + 120 * 0.25, 9);
    expect(inner).toBeCloseTo(ROOM_C + 120 * (0.25 + 0.04), 9);
  });

  test('a loop of block and radiator: coolant enters the radiator P/K above room air and leaves P/(m cp) below', () => {
    const m = 1 / 60; // kg/s
    const cp = 4180;
    const K = 15;
    const P = 300;
    // Node 0 is what the block lets out, node 1 what the radiator lets out.
    const loop: ThermalNetwork = {
      capacity_JK: new Float64Array(2),
      streams: [
        { capacity_WK: m * cp, from: only(1), to: 0 },
        { capacity_WK: m * cp, from: only(0), to: 1 },
      ],
      conductors: [{ conductance_WK: K, hot: only(0), cold: only(ROOM), from: 1, into: ROOM }],
    };
    const [hot, cold] = solved(loop, [P, 0]) as unknown as [number, number];
    expect(hot).toBeCloseTo(ROOM_C + P / K, 9);
    expect(hot - cold).toBeCloseTo(P / (m * cp), 9);
  });

  test('a loop without a radiator has no steady state', () => {
    expect(
      factorNetwork({
        capacity_JK: new Float64Array(2),
        streams: [
          { capacity_WK: 70, from: only(1), to: 0 },
          { capacity_WK: 70, from: only(0), to: 1 },
        ],
        conductors: [],
      }),
    ).toBeNull();
  });

  test('streams mix by their flows: 3 L/min at 40 °C and 1 L/min at 20 °C make 35 °C', () => {
    const mix = junctionMixes([
      { from: 'a', to: 'tee', flow_Lmin: 3 },
      { from: 'tee', to: 'b', flow_Lmin: -1 },
      { from: 'tee', to: 'c', flow_Lmin: 4 },
    ]).get('tee');
    expect(mix?.shares).toEqual([0.75, 0.25]);
    expect(readMix(mix as NonNullable<typeof mix>, Float64Array.of(40, 20, 0), 0)).toBeCloseTo(35);
  });
});

describe('a step: (C/dt + A)·T = C/dt·T₀ + b', () => {
  const C = 500;
  const R = 0.2;
  const lump: ThermalNetwork = {
    capacity_JK: Float64Array.of(C),
    streams: [],
    conductors: [wall(0, ROOM, 1 / R)],
  };

  test('a lump warms as 1 − exp(−t/RC) (lumped capacitance, Incropera, chapter 5, from memory)', () => {
    for (const t of [20, 100, 300]) {
      const steps = 20_000;
      const [now] = solved(lump, [50], ROOM_C, t / steps, steps);
      expect(now).toBeCloseTo(ROOM_C + 50 * R * (1 - Math.exp(-t / (R * C))), 3);
    }
  });

  test('one step is the implicit one: T = (β T₀ + P + T_room/R)/(β + 1/R)', () => {
    const beta = C / 10;
    const [now] = solved(lump, [50], 60, 10);
    expect(now).toBeCloseTo((beta * 60 + 50 + ROOM_C / R) / (beta + 1 / R), 9);
  });

  test('any network: what goes in is stored or leaves, and a step without end is the steady state', () => {
    const network = fc.integer({ min: 2, max: 8 }).chain((n) =>
      fc.record({
        capacity: fc.array(fc.double({ min: 1, max: 1e4, noNaN: true }), {
          minLength: n,
          maxLength: n,
        }),
        walls: fc.array(
          fc.tuple(
            fc.integer({ min: 0, max: n - 1 }),
            fc.integer({ min: -1, max: n - 1 }),
            fc.double({ min: 0.1, max: 50, noNaN: true }),
          ),
          { minLength: 1, maxLength: 12 },
        ),
        source: fc.array(fc.double({ min: 0, max: 400, noNaN: true }), {
          minLength: n,
          maxLength: n,
        }),
        step_s: fc.double({ min: 0.1, max: 1000, noNaN: true }),
      }),
    );
    fc.assert(
      fc.property(network, ({ capacity, walls, source, step_s }) => {
        const n = capacity.length;
        const carried = Array.from({ length: n }, (_, i) => ({
          capacity_WK: 40,
          from: only((i + n - 1) % n),
          to: i,
        }));
        const conductors = [
          ...walls.filter(([a, b]) => a !== b).map(([a, b, k]) => wall(a, b, k)),
          wall(0, ROOM, 3),
        ];
        const net = { capacity_JK: Float64Array.from(capacity), streams: carried, conductors };
        const before = new Float64Array(n).fill(30);
        const after = solved(net, source, 30, step_s);
        const stored = capacity.reduce(
          (s, c, i) => s + c * ((after[i] as number) - (before[i] as number)),
          0,
        );
        const left =
          step_s *
          conductors
            .filter((c) => c.into === ROOM)
            .reduce((s, c) => s + heatThrough(c, after, ROOM_C), 0);
        const supplied = step_s * source.reduce((a, b) => a + b, 0);
        expect(Math.abs(supplied - left - stored)).toBeLessThan(1e-6 * (Math.abs(supplied) + 1e4));
        const steady = solved(net, source);
        solved(net, source, 30, 1e12).forEach((t, i) =>
          expect(Math.abs(t - (steady[i] as number))).toBeLessThan(1e-3),
        );
      }),
    );
  });
});
