import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { applyEdit, type Design } from '../design';
import { water } from '../fluids';
import {
  fitLossCurve,
  flowLossSweep,
  linkDrop,
  networkOf,
  operatingCurves,
  pumpCurve,
  readyNetwork,
  solveNetwork,
  teeDrops,
  type FlowNetwork,
  type NetworkLink,
} from '.';
import { pumpGroup } from './group';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const fluid = water(25);
const pump = pumpCurve(
  [
    [0, 4],
    [6, 3],
    [12, 0.5],
  ],
  4800,
);

describe('pumps of a network', () => {
  const curve = pumpCurve(
    [
      [0, 4],
      [10, 2],
      [20, 0.4],
    ],
    4800,
  );
  const turning = (id: string, from: string, to: string): NetworkLink => ({
    id,
    from,
    to,
    pump: { curve, speed: 1 },
  });
  const loss = (id: string, from: string, to: string): NetworkLink => ({
    id,
    from,
    to,
    curve: { a: 0.2, b: 0.5 },
  });
  const kindOf = (...links: NetworkLink[]): string =>
    pumpGroup({ fluid: water(25), fixed: ['tank'], links }).kind;

  test('one after another, side by side, apart, and side by side the wrong way round', () => {
    const rest = [loss('rest', 'out', 'tank')];
    expect(kindOf(turning('p', 'tank', 'm'), turning('q', 'm', 'out'), ...rest)).toBe('series');
    expect(kindOf(turning('p', 'tank', 'out'), turning('q', 'tank', 'out'), ...rest)).toBe(
      'parallel',
    );
    // With a part behind each, listed with the flow or against it, they still are.
    expect(
      kindOf(
        turning('p', 'tank', 'a'),
        loss('la', 'a', 'out'),
        turning('q', 'tank', 'b'),
        loss('lb', 'out', 'b'),
        ...rest,
      ),
    ).toBe('parallel');
    expect(kindOf(turning('p', 'tank', 'out'), turning('q', 'out', 'tank'), ...rest)).toBe('apart');
    expect(
      kindOf(
        turning('p', 'tank', 'out'),
        loss('x', 'out', 'far'),
        turning('q', 'tank', 'far'),
        loss('back', 'far', 'tank'),
        ...rest,
      ),
    ).toBe('apart');
    expect(kindOf(...rest, loss('more', 'tank', 'out'))).toBe('none');
  });
});

describe('what a solved network tells', () => {
  /** A pump, a tee that parts the flow, two ways of unlike loss, a tee that joins them. */
  const leg = (
    id: string,
    tee: string,
    which: 'run-a' | 'run-b' | 'branch',
    from: string,
    to: string,
  ) => ({
    id,
    from,
    to,
    pipe: { length_mm: 18, bore_mm: 10, minor: [] },
    tee: { id: tee, leg: which, bore_mm: 10 },
  });
  const network: FlowNetwork = {
    fluid,
    fixed: ['tank'],
    links: [
      { id: 'pump', from: 'tank', to: 'a', pump: { curve: pump, speed: 1 } },
      leg('t1a', 'tee-1', 'run-a', 'a', 'm1'),
      leg('t1b', 'tee-1', 'run-b', 'b', 'm1'),
      leg('t1s', 'tee-1', 'branch', 's', 'm1'),
      { id: 'straight', from: 'b', to: 'c', curve: { a: 0.1, b: 0.3 } },
      { id: 'side', from: 's', to: 'd', curve: { a: 0.2, b: 0.6 } },
      leg('t2a', 'tee-2', 'run-a', 'c', 'm2'),
      leg('t2s', 'tee-2', 'branch', 'd', 'm2'),
      leg('t2b', 'tee-2', 'run-b', 'tank', 'm2'),
    ],
  };
  const { status, flows, drops, pressures, residual } = solveNetwork(network);
  const q = (id: string): number => flows.get(id) ?? NaN;

  test('what enters a middle leaves it, and energy is left over nowhere', () => {
    expect(status).toBe('solved');
    for (const tee of ['t1', 't2'])
      expect(q(`${tee}a`) + q(`${tee}b`) + q(`${tee}s`)).toBeCloseTo(0, 6);
    expect(q('straight')).toBeCloseTo(-q('t1b'), 6);
    expect(residual.energy_kPa).toBeLessThan(1e-6);
    expect(residual.mass_Lmin).toBeLessThan(1e-6);
  });

  test('a leg of a tee takes its tube and its share by the split', () => {
    for (const tee of ['t1', 't2']) {
      const shares = teeDrops(
        { 'run-a': q(`${tee}a`), 'run-b': q(`${tee}b`), branch: q(`${tee}s`) },
        10,
        fluid.density_kgm3,
      );
      for (const [id, which] of [
        [`${tee}a`, 'run-a'],
        [`${tee}b`, 'run-b'],
        [`${tee}s`, 'branch'],
      ] as const) {
        const link = network.links.find((l) => l.id === id);
        if (!link) throw new Error(id);
        expect(drops.get(id)).toBeCloseTo(linkDrop(link, q(id), fluid) + shares[which], 5);
      }
    }
  });

  test('pressures are those of the way taken, from the tank and back', () => {
    for (const { id, from, to } of network.links) {
      const fall = (pressures.get(from) ?? NaN) - (pressures.get(to) ?? NaN);
      expect(fall).toBeCloseTo(drops.get(id) ?? NaN, 5);
    }
    expect(pressures.get('tank')).toBe(0);
  });

  test('pumps in two branches have no one pair of curves', () => {
    const second = { id: 'pump-2', from: 'x', to: 'd', pump: { curve: pump, speed: 1 } };
    const apart: FlowNetwork = {
      ...network,
      links: [...network.links.map((l) => (l.id === 'side' ? { ...l, to: 'x' } : l)), second],
    };
    expect(operatingCurves(apart)).toBeNull();
    expect(operatingCurves(network)).not.toBeNull();
  });

  test('solved again at half the speed it moves less than half as much again', () => {
    const ready = readyNetwork(network);
    const whole = ready.solve().flows.get('pump') ?? NaN,
      half = ready.solve({ share: 0.5 }).flows.get('pump') ?? NaN;
    expect(half / whole).toBeGreaterThan(0.4);
    expect(half / whole).toBeLessThan(0.52);
    // And as before, asked again.
    expect(ready.solve().flows.get('pump')).toBeCloseTo(whole, 6);
  });
});

describe('what a loop is told', () => {
  test('regimes by Reynolds number; at rest there is none', () => {
    const flows = (speed_rpm: number) =>
      analyse(
        applyEdit(desk, { do: 'component.set', component: 'pump', values: { speed_rpm } }).design,
      ).reports.flow.links.filter((l) => l.kind === 'tube');
    const seen = new Set<string>();
    for (const rpm of [600, 1400, 1800, 3400, 4800])
      for (const l of flows(rpm)) {
        const re = l.reynolds ?? NaN;
        seen.add(l.regime ?? 'none');
        if (re === 0) expect(l.regime).toBeNull();
        else if (re <= 2000) expect(l.regime).toBe('laminar');
        else if (re < 4000) expect(l.regime).toBe('between laminar and turbulent');
        else expect(l.regime).toBe('turbulent');
      }
    expect(seen.size).toBeGreaterThanOrEqual(2);
    for (const l of flows(0)) expect([l.reynolds, l.regime]).toEqual([0, null]);
  });

  test('dirt: through a part with branches, all that passes; the rest of the loop slows down', () => {
    const { system, reports } = analyse(tower);
    for (const graph of system.loops) {
      const coolant_C = reports.flow.loops.find((l) => l.id === graph.loop.id)?.coolant_C ?? 30;
      const network = networkOf(system, graph, reports.runs, coolant_C);
      const clean = solveNetwork(network);
      const round = Math.max(...[...clean.flows.values()].map(Math.abs));
      for (const { component, steps } of flowLossSweep(graph, network)) {
        const own = graph.links.filter((l) => l.component === component);
        const passed = own.reduce((sum, l) => sum + Math.abs(clean.flows.get(l.id) ?? 0), 0);
        let last = passed;
        for (const step of steps) {
          expect(step.through_Lmin).toBeGreaterThan(0);
          expect(step.through_Lmin).toBeLessThan(last);
          expect(step.flow_Lmin).toBeLessThanOrEqual(round + 1e-6);
          expect(step.drop_kPa).toBeGreaterThan(0);
          last = step.through_Lmin;
        }
      }
    }
  });

  /** Points of Q² + noise of ± 0.1: residuals by hand, 0.1 each. */
  test('how far a fit misses its points', () => {
    const exact = fitLossCurve([
      [1, 1],
      [2, 4],
      [3, 9],
    ]);
    expect(exact.residual_kPa).toBeCloseTo(0, 9);
    const off = fitLossCurve([
      [1, 1.1],
      [1, 0.9],
      [2, 4.1],
      [2, 3.9],
    ]);
    expect(off.residual_kPa).toBeCloseTo(0.1, 9);
  });
});
