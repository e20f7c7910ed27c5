import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import networkFile from '@reference/network.json';
import { GRAVITY_MS2, LMIN_TO_M3S } from '../quantity';
import { frictionFactor, solveNetwork, type LinkLaw } from '.';

interface Pipe { id: string; from: string; to: string; length_m: number; bore_mm: number; roughness_mm: number; K_minor: number }
interface PumpIn { id: string; from: string; to: string; curve_points_lpm_m: [number, number][]; speed: number; a: number; b: number; c: number }
interface Case { id: string; inputs: { kinematic_viscosity_m2_s: number; reservoir_heads_m: Record<string, number>; pipes: Pipe[]; pumps: PumpIn[] }; expected: { epanet: { flows_L_min: Record<string, number> } } }

const RHO = 1000;
const kPa = (head_m: number): number => (RHO * GRAVITY_MS2 * head_m) / 1000;

/** The reference file's own pipe and pump laws, as links of the solver under test. */
function lawOfPipe(p: Pipe, nu: number): LinkLaw {
  const d = p.bore_mm / 1000, area = (Math.PI / 4) * d * d;
  const head = (q: number): number => {
    const v = (Math.abs(q) * LMIN_TO_M3S) / area;
    if (v === 0) return 0;
    const f = frictionFactor((v * d) / nu, p.roughness_mm / p.bore_mm);
    return (Math.sign(q) * (f * (p.length_m / d) + p.K_minor) * v * v) / (2 * GRAVITY_MS2);
  };
  return { id: p.id, from: p.from, to: p.to, drop: (q) => kPa(head(q)), slope: (q) => Math.max(1e-5, kPa(head(q + 1e-4) - head(q - 1e-4)) / 2e-4) };
}

function lawOfPump(p: PumpIn): LinkLaw {
  const head = (q: number): number => p.speed ** 2 * p.a - p.b * p.speed ** (2 - p.c) * Math.max(0, q) ** p.c;
  return { id: p.id, from: p.from, to: p.to, drop: (q) => -kPa(head(q)), slope: (q) => Math.max(1e-4, -kPa(head(q + 1e-4) - head(q - 1e-4)) / 2e-4), guess_Lmin: 4 };
}

describe('networks against EPANET (reference/network.json, engine 2.3.5)', () => {
  const cases = (networkFile.cases as unknown as Case[]).filter((c) => c.inputs.pumps.every((p) => typeof p.a === 'number' && typeof p.c === 'number'));

  test('most of the file can be asked', () => {
    expect(cases.length).toBeGreaterThanOrEqual(5);
  });

  test.each(cases.map((c) => [c.id, c] as const))('%s', (id, c) => {
    const links = [...c.inputs.pipes.map((p) => lawOfPipe(p, c.inputs.kinematic_viscosity_m2_s)), ...c.inputs.pumps.map(lawOfPump)];
    const solution = solveNetwork(links, Object.keys(c.inputs.reservoir_heads_m));
    expect(solution.status).toBe('solved');
    const tolerance = id.includes('transition') ? 0.035 : 0.005;
    for (const [link, expected] of Object.entries(c.expected.epanet.flows_L_min)) {
      if (Math.abs(expected) < 0.01) continue;
      expect(Math.abs((solution.flows.get(link) ?? NaN) / expected - 1)).toBeLessThan(tolerance);
    }
  });
});

const part = (id: string, from: string, to: string, b: number): LinkLaw => ({ id, from, to, drop: (q) => 0.1 * q + b * q * Math.abs(q), slope: (q) => 0.1 + 2 * b * Math.abs(q) });
const pump = (id: string, from: string, to: string, head: number): LinkLaw => ({ id, from, to, drop: (q) => -(head - 0.2 * q * Math.abs(q)), slope: (q) => 1e-4 + 0.4 * Math.abs(q) });

describe('properties of the solver', () => {
  const resistances = fc.array(fc.double({ min: 0.05, max: 4, noNaN: true }), { minLength: 3, maxLength: 9 });

  test('mass and energy balance on any ring with a bypass', () => {
    fc.assert(fc.property(resistances, fc.double({ min: 5, max: 80, noNaN: true }), (bs, head) => {
      const n = bs.length;
      const links = [pump('p', 'n0', 'n1', head), ...bs.map((b, i) => part(`l${i}`, `n${i + 1}`, i === n - 1 ? 'n0' : `n${i + 2}`, b)), part('bypass', 'n1', 'n0', 2)];
      const s = solveNetwork(links, ['n0']);
      expect(s.status).toBe('solved');
      expect(s.residual.mass_Lmin).toBeLessThan(1e-6);
      expect(s.residual.energy_kPa).toBeLessThan(1e-4);
    }), { numRuns: 60 });
  });

  test('the order in which links are listed does not matter', () => {
    const links = [pump('p', 'a', 'b', 40), part('1', 'b', 'c', 0.5), part('2', 'b', 'c', 1.5), part('3', 'c', 'a', 0.4)];
    const one = solveNetwork(links, ['a']), other = solveNetwork([...links].reverse(), ['a']);
    for (const l of links) expect(other.flows.get(l.id)).toBeCloseTo(one.flows.get(l.id) ?? NaN, 6);
  });

  test('equal branches share alike; a dead end carries nothing', () => {
    const s = solveNetwork([pump('p', 'a', 'b', 40), part('1', 'b', 'c', 1), part('2', 'b', 'c', 1), part('3', 'c', 'a', 0.4), part('dead', 'c', 'x', 1)], ['a']);
    expect(s.flows.get('1')).toBeCloseTo(s.flows.get('2') ?? NaN, 6);
    expect(Math.abs(s.flows.get('dead') ?? NaN)).toBeLessThan(1e-6);
  });

  test('a piece without a fixed node is solved by itself', () => {
    const s = solveNetwork([pump('p', 'a', 'b', 30), part('1', 'b', 'a', 1), pump('q', 'x', 'y', 30), part('2', 'y', 'x', 1)], ['a']);
    expect(s.status).toBe('solved');
    expect(s.flows.get('p')).toBeCloseTo(s.flows.get('q') ?? NaN, 6);
  });

  test('more resistance never gives more flow', () => {
    fc.assert(fc.property(fc.double({ min: 0.1, max: 3, noNaN: true }), fc.double({ min: 1.01, max: 4, noNaN: true }), (b, more) => {
      const flow = (r: number): number => solveNetwork([pump('p', 'a', 'b', 40), part('1', 'b', 'a', r)], ['a']).flows.get('p') ?? NaN;
      expect(flow(b * more)).toBeLessThan(flow(b));
    }), { numRuns: 40 });
  });
});
