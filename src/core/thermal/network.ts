import { luFactor, luSolve, sparseLu, sparseSolve, type SparseLu } from './gauss';

/** The room, where a node is asked for: its temperature is given, not worked out. */
export const ROOM = -1;

/**
 * A temperature read as shares of nodes: streams that mix, or the mean of what enters and what
 * leaves. Shares add up to 1.
 */
export interface Mix {
  readonly nodes: readonly number[];
  readonly shares: readonly number[];
}

/** A flow that brings what it reads to a node: the node gains capacity_WK × (from − node), W. */
export interface Stream {
  readonly capacity_WK: number;
  readonly from: Mix;
  readonly to: number;
}

/**
 * Heat that leaves one node and enters another by the difference of two temperatures,
 * conductance_WK × (hot − cold), W. The temperatures may be read elsewhere: a radiator's are those
 * of coolant and air as they enter.
 */
export interface Conductor {
  readonly conductance_WK: number;
  readonly hot: Mix;
  readonly cold: Mix;
  readonly from: number;
  readonly into: number;
}

/**
 * Lumped heat: nodes that hold it, flows that carry it, conductors that pass it on. Sources are put
 * in when it is solved. Balance of node i: C_i dT_i/dt = source_i + Σ streams + Σ conductors (first
 * law, lumped; Incropera et al., Fundamentals of Heat and Mass Transfer, chapters 1 and 5, from
 * memory).
 */
export interface ThermalNetwork {
  /** Heat each node holds, J/K; 0 where it holds none. One entry a node. */
  readonly capacity_JK: Float64Array;
  readonly streams: readonly Stream[];
  readonly conductors: readonly Conductor[];
}

/** A network made ready for as many sources as wanted. */
export interface ThermalFactors {
  readonly lu: Float64Array;
  readonly order: Int32Array;
  /** The factors without their zeros: of steps, which are taken again and again. */
  readonly sparse: SparseLu | null;
  /** What a node's past counts for, W/K: C/dt; 0 in the steady state. */
  readonly past_WK: Float64Array;
  /** What the room counts for, W/K. */
  readonly room_WK: Float64Array;
}

export const only = (node: number): Mix => ({ nodes: [node], shares: [1] });

/** A temperature read from a solution, °C. */
export function readMix(mix: Mix, temp_C: Float64Array, room_C: number): number {
  let sum = 0;
  for (let i = 0; i < mix.nodes.length; i += 1) {
    const node = mix.nodes[i] as number;
    sum += (mix.shares[i] as number) * (node === ROOM ? room_C : (temp_C[node] as number));
  }
  return sum;
}

/** What passes through a conductor in a solution, W. */
export const heatThrough = (c: Conductor, temp_C: Float64Array, room_C: number): number =>
  c.conductance_WK * (readMix(c.hot, temp_C, room_C) - readMix(c.cold, temp_C, room_C));

/**
 * Factors of (C/dt + A), by implicit Euler: stable at any step, exact in the energy it moves. A
 * step without end (the default) gives A alone: the steady state. Null when no such state exists.
 */
export function factorNetwork(network: ThermalNetwork, step_s = Infinity): ThermalFactors | null {
  const n = network.capacity_JK.length;
  const lu = new Float64Array(n * n);
  const order = new Int32Array(n);
  const room_WK = new Float64Array(n);
  const past_WK = network.capacity_JK.map((c) => c / step_s);

  /** The balance of `row` loses factor × what is read. */
  const lose = (row: number, factor: number, mix: Mix): void => {
    if (row === ROOM) return;
    for (let i = 0; i < mix.nodes.length; i += 1) {
      const node = mix.nodes[i] as number;
      const weight = factor * (mix.shares[i] as number);
      if (node === ROOM) room_WK[row] = (room_WK[row] as number) - weight;
      else lu[row * n + node] = (lu[row * n + node] as number) + weight;
    }
  };
  for (let i = 0; i < n; i += 1) lu[i * n + i] = past_WK[i] as number;
  for (const { capacity_WK, from, to } of network.streams) {
    lu[to * n + to] = (lu[to * n + to] as number) + capacity_WK;
    lose(to, -capacity_WK, from);
  }
  for (const { conductance_WK, hot, cold, from, into } of network.conductors) {
    lose(from, conductance_WK, hot);
    lose(from, -conductance_WK, cold);
    lose(into, -conductance_WK, hot);
    lose(into, conductance_WK, cold);
  }
  if (!luFactor(lu, order, n)) return null;
  const sparse = Number.isFinite(step_s) ? sparseLu(lu, n) : null;
  return { lu, order, past_WK, room_WK, sparse };
}

/**
 * Temperatures, °C, one a node, under sources in W, one a node, and a room. `temp_C` holds the
 * temperatures before the step, which a steady solution does not look at, and the solution
 * afterwards.
 */
export function solveNetwork(
  { lu, order, past_WK, room_WK, sparse }: ThermalFactors,
  source_W: Float64Array,
  room_C: number,
  temp_C: Float64Array,
): Float64Array {
  const n = temp_C.length;
  for (let i = 0; i < n; i += 1)
    temp_C[i] =
      (past_WK[i] as number) * (temp_C[i] as number) +
      (source_W[i] as number) +
      (room_WK[i] as number) * room_C;
  if (sparse) sparseSolve(sparse, order, temp_C, n);
  else luSolve(lu, order, temp_C, n);
  return temp_C;
}

/** A directed flow between two junctions. */
export interface Flowing {
  readonly from: string;
  readonly to: string;
  /** L/min, negative when it goes from `to` to `from`. */
  readonly flow_Lmin: number;
}

/** A stream less than this stands still, L/min. */
const STILL_LMIN = 1e-6;

export const isFlowing = (f: Flowing): boolean => Math.abs(f.flow_Lmin) > STILL_LMIN;
export const startOf = (f: Flowing): string => (f.flow_Lmin >= 0 ? f.from : f.to);
export const endOf = (f: Flowing): string => (f.flow_Lmin >= 0 ? f.to : f.from);

/**
 * What arrives at each junction: the flows that end there, by index from `first` on, with their
 * shares.
 */
export function junctionMixes(flows: readonly Flowing[], first = 0): ReadonlyMap<string, Mix> {
  const arriving = new Map<string, { nodes: number[]; flows: number[]; sum: number }>();
  flows.forEach((f, i) => {
    if (!isFlowing(f)) return;
    const at = arriving.get(endOf(f)) ?? { nodes: [], flows: [], sum: 0 };
    at.nodes.push(first + i);
    at.flows.push(Math.abs(f.flow_Lmin));
    at.sum += Math.abs(f.flow_Lmin);
    arriving.set(endOf(f), at);
  });
  return new Map(
    [...arriving].map(([junction, { nodes, flows: q, sum }]) => [
      junction,
      { nodes, shares: q.map((x) => x / sum) },
    ]),
  );
}
