import type { Chain } from './chains';
import type { SparseSystem } from './sparse';

/** Where a chain's two ends and what it adds stand in the equations, one after another. */
export const ENDS = 5;

/**
 * The equations of heads that chains add up to. `ends`, five by chain: the places of its ends on the
 * right side, of their diagonals and of their pair in the values.
 */
export interface Equations {
  readonly ends: Int32Array;
  readonly values: Float64Array;
  readonly right: Float64Array;
}

/**
 * Held ends share one place past the free nodes, whose head stays 0, and what has no place in the
 * equations one past theirs.
 */
export function equationsOf(chains: readonly Chain[], n: number, system: SparseSystem): Equations {
  const ends = Int32Array.from(
    chains.flatMap(({ from, to }) => {
      const [i, j] = [from, to].map((end) => (end < 0 ? n : system.place(end)));
      const [ii, jj] = [from, to].map((end) => (end < 0 ? system.size : system.place(end)));
      const ij = from >= 0 && to >= 0 && from !== to ? system.pair(from, to) : system.size;
      return [i, j, ii, jj, ij] as number[];
    }),
  );
  return { ends, values: new Float64Array(system.size + 1), right: new Float64Array(n + 1) };
}

/** What every chain adds to the equations of its two ends: conductances left, intercepts right. */
export function lay(
  flows: Float64Array,
  drops: Float64Array,
  conductances: Float64Array,
  { ends, values, right }: Equations,
): void {
  values.fill(0);
  right.fill(0);
  for (let k = 0, e = 0; k < flows.length; k += 1, e += ENDS) {
    const i = ends[e] as number,
      j = ends[e + 1] as number;
    if (i === j) continue;
    const c = conductances[k] as number,
      intercept = (flows[k] as number) - (drops[k] as number) * c,
      ii = ends[e + 2] as number,
      jj = ends[e + 3] as number,
      ij = ends[e + 4] as number;
    values[ii] = (values[ii] as number) + c;
    values[jj] = (values[jj] as number) + c;
    values[ij] = (values[ij] as number) - c;
    right[i] = (right[i] as number) - intercept;
    right[j] = (right[j] as number) + intercept;
  }
}

export function scaled(from: Float64Array, by: number, into: Float64Array): void {
  for (let k = 0; k < into.length; k += 1) into[k] = by * (from[k] as number);
}

export function spread(from: Float64Array, places: Int32Array, into: Float64Array): void {
  for (let i = 0; i < into.length; i += 1) into[i] = from[places[i] as number] as number;
}

/**
 * Moves every chain's flow by so much of what Newton asks, and says the most it asks, L/min. The
 * same heads, drops and conductances ask the same again.
 */
export function mostMove(
  heads: Float64Array,
  ends: Int32Array,
  drops: Float64Array,
  conductances: Float64Array,
  flows: Float64Array,
  damping: number,
): number {
  let most = 0;
  for (let k = 0, e = 0; k < flows.length; k += 1, e += ENDS) {
    const fallen = (heads[ends[e] as number] as number) - (heads[ends[e + 1] as number] as number);
    const by = (fallen - (drops[k] as number)) * (conductances[k] as number),
      size = Math.abs(by);
    flows[k] = (flows[k] as number) + damping * by;
    if (!(size <= most)) most = size;
  }
  return most;
}
