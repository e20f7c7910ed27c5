import { choleskySolve } from './cholesky';

/** A link's law: the pressure it takes from the flow at Q (a pump gives, so its drop is negative) and the slope there. */
export interface LinkLaw {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** kPa at L/min. Must rise with Q. */
  drop(flow_Lmin: number): number;
  /** kPa per L/min, above 0. */
  slope(flow_Lmin: number): number;
  /** Where to start, L/min. */
  readonly guess_Lmin?: number;
}

export interface NetworkSolution {
  readonly status: 'solved' | 'not-converged' | 'singular';
  readonly iterations: number;
  /** Largest energy residual over links, kPa, and mass residual over nodes, L/min. */
  readonly residual: { readonly energy_kPa: number; readonly mass_Lmin: number };
  readonly flows: ReadonlyMap<string, number>;
  /** kPa relative to the fixed node of its connected piece. */
  readonly pressures: ReadonlyMap<string, number>;
}

export const NETWORK_TOLERANCE_LMIN = 1e-7;
const MAX_ITERATIONS = 100;
/** Floor of a link's slope, kPa per L/min: a part whose drop is purely quadratic has none at rest. */
const SLOPE_FLOOR = 1e-5;

/**
 * Flows and pressures of any network of links. Global gradient method: Newton on heads and flows together
 * (Todini & Pilati 1988). `fixed` names the nodes at pressure 0; a connected piece without one has its first node fixed.
 * Stops when no flow moves by more than 1e-7 L/min. Dense, so meant for some 200 links.
 */
export function solveNetwork(links: readonly LinkLaw[], fixed: readonly string[]): NetworkSolution {
  const nodes = [...new Set(links.flatMap((l) => [l.from, l.to]))].sort();
  const held = new Set([...fixed.filter((f) => nodes.includes(f)), ...unanchored(links, nodes, fixed)]);
  const free = nodes.filter((n) => !held.has(n));
  const index = new Map(free.map((n, i) => [n, i]));
  const n = free.length;
  const flows = Float64Array.from(links, (l) => l.guess_Lmin ?? 3);
  const pressure = new Float64Array(n);
  const at = (node: string): number => { const i = index.get(node); return i === undefined ? 0 : (pressure[i] as number); };
  const drops = new Float64Array(links.length), slopes = new Float64Array(links.length);
  const matrix = new Float64Array(n * n);

  let status: NetworkSolution['status'] = 'not-converged';
  let iterations = 0;
  let lastMove = Infinity;
  let damping = 1;
  for (; iterations < MAX_ITERATIONS; iterations += 1) {
    matrix.fill(0);
    pressure.fill(0);
    links.forEach((link, k) => {
      const q = flows[k] as number;
      drops[k] = link.drop(q);
      slopes[k] = Math.max(SLOPE_FLOOR, link.slope(q));
      const conductance = 1 / (slopes[k] as number);
      const intercept = q - (drops[k] as number) * conductance;
      const i = index.get(link.from), j = index.get(link.to);
      if (i !== undefined) { matrix[i * n + i] = (matrix[i * n + i] as number) + conductance; pressure[i] = (pressure[i] as number) - intercept; }
      if (j !== undefined) { matrix[j * n + j] = (matrix[j * n + j] as number) + conductance; pressure[j] = (pressure[j] as number) + intercept; }
      if (i !== undefined && j !== undefined) {
        matrix[i * n + j] = (matrix[i * n + j] as number) - conductance;
        matrix[j * n + i] = (matrix[j * n + i] as number) - conductance;
      }
    });
    if (n > 0 && !choleskySolve(matrix, pressure, n)) { status = 'singular'; break; }
    let move = 0;
    links.forEach((link, k) => {
      const q = flows[k] as number;
      const next = q + (at(link.from) - at(link.to) - (drops[k] as number)) / (slopes[k] as number);
      const step = next - q;
      move = Math.max(move, Math.abs(step));
      flows[k] = q + damping * step;
    });
    if (move < NETWORK_TOLERANCE_LMIN) { status = 'solved'; iterations += 1; break; }
    damping = move > lastMove ? Math.max(0.1, damping / 2) : Math.min(1, damping * 1.5);
    lastMove = move;
  }

  const mass = new Map(nodes.map((node) => [node, 0]));
  let energy_kPa = 0;
  links.forEach((link, k) => {
    const q = flows[k] as number;
    mass.set(link.from, (mass.get(link.from) as number) - q);
    mass.set(link.to, (mass.get(link.to) as number) + q);
    energy_kPa = Math.max(energy_kPa, Math.abs(at(link.from) - at(link.to) - link.drop(q)));
  });
  return {
    status, iterations,
    residual: { energy_kPa, mass_Lmin: Math.max(0, ...[...mass.values()].map(Math.abs)) },
    flows: new Map(links.map((l, k) => [l.id, flows[k] as number])),
    pressures: new Map(nodes.map((node) => [node, at(node)])),
  };
}

/** One node of every connected piece that holds none of the fixed ones. */
function unanchored(links: readonly LinkLaw[], nodes: readonly string[], fixed: readonly string[]): string[] {
  const neighbours = new Map<string, string[]>(nodes.map((n) => [n, []]));
  for (const l of links) { neighbours.get(l.from)?.push(l.to); neighbours.get(l.to)?.push(l.from); }
  const seen = new Set<string>();
  const walk = (start: string): void => {
    const stack = [start];
    while (stack.length > 0) {
      const node = stack.pop() as string;
      if (seen.has(node)) continue;
      seen.add(node);
      stack.push(...(neighbours.get(node) ?? []));
    }
  };
  fixed.filter((f) => neighbours.has(f)).forEach(walk);
  const anchors: string[] = [];
  for (const node of nodes) if (!seen.has(node)) { anchors.push(node); walk(node); }
  return anchors;
}
