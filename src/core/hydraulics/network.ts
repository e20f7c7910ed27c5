import { chainNetwork, type Chain, type Chained, type Topology } from './chains';
import type { FlowNetwork, NetworkLink, NetworkSolution } from './links';
import { headToPressure, pumpHead } from './pump';
import { sparseSystem, type SparseSystem } from './sparse';
import { teesOf, type TeeState } from './teeState';
import { linkDrop, type AtOther } from './terms';
import { layTerms } from './termsTable';

export const NETWORK_TOLERANCE_LMIN = 1e-7;
const MAX_ITERATIONS = 200;
/**
 * Newton's moves shrink as their squares, so after moves m and m' the next is about m'³/m². When
 * that is a hundredth of the tolerance the flows are there and need no further look; only under
 * moves this small, L/min.
 */
const SURE_LMIN = 1e-2,
  SURE = NETWORK_TOLERANCE_LMIN / 100;
const AS_IS: AtOther = {};
/** Where a chain without a pump starts, L/min. */
const GUESS_LMIN = 3;
/** How near the start with held friction is sought, L/min. */
const ROUGH_LMIN = 0.05;

export interface ChainFlows {
  readonly status: NetworkSolution['status'];
  readonly iterations: number;
  readonly flows: Float64Array;
  readonly pressures: Float64Array;
}

/** A network made ready: solved again and again at other speeds or held flows. */
export interface ReadyNetwork {
  readonly network: FlowNetwork;
  readonly chained: Chained;
  /** Flows by chain and pressures by free node; the arrays are reused by the next call. */
  run(other?: AtOther): ChainFlows;
  /** The same, spelled out for every link and node. */
  solve(other?: AtOther): NetworkSolution;
}

/** The order of elimination is worked out once for each topology. */
const systems = new WeakMap<Topology, SparseSystem>();
function systemOf(topology: Topology): SparseSystem {
  const known = systems.get(topology);
  if (known) return known;
  const pairs = topology.courses
    .filter((c) => c.from >= 0 && c.to >= 0 && c.from !== c.to)
    .map((c) => [c.from, c.to] as const);
  const made = sparseSystem(topology.free.length, pairs);
  systems.set(topology, made);
  return made;
}

/**
 * Flows and pressures of any network of links. Global gradient method: Newton on heads and flows
 * together (Todini & Pilati 1988), on chains of links rather than links, with a sparse solve. Stops
 * when no flow moves by more than 1e-7 L/min. Never throws and never gives NaN: the status says
 * what happened.
 */
export function readyNetwork(network: FlowNetwork): ReadyNetwork {
  const chained = chainNetwork(network);
  const { chains, free } = chained;
  const table = layTerms(
    chains.map((c) => c.terms),
    network.fluid,
  );
  const { drops, conductances } = table;
  const n = free.length;
  const system = systemOf(chained.topology);
  // Held ends share one place past the free nodes, whose pressure stays 0, and what has no place in
  // the equations one past theirs: plain loops without a branch.
  const place = (end: number): number => (end < 0 ? n : end);
  const from = Int32Array.from(chains, (c) => place(c.from)),
    to = Int32Array.from(chains, (c) => place(c.to));
  const diagonal = (end: number): number => (end < 0 ? system.size : system.diagonal(end));
  const atFrom = Int32Array.from(chains, (c) => diagonal(c.from)),
    atTo = Int32Array.from(chains, (c) => diagonal(c.to)),
    atPair = Int32Array.from(chains, (c) =>
      c.from >= 0 && c.to >= 0 && c.from !== c.to ? system.pair(c.from, c.to) : system.size,
    );
  const values = new Float64Array(system.size + 1),
    heads = new Float64Array(n + 1),
    pressures = heads.subarray(0, n),
    mass = new Float64Array(n + 1);
  const flows = new Float64Array(chains.length),
    moves = new Float64Array(chains.length);
  const tees = teesOf(network, chains, table);

  const evaluate = (other: AtOther, friction: number | null): void => {
    if (friction === null)
      for (let t = 0; t < tees.length; t += 1) (tees[t] as TeeState).split(flows);
    table.evaluate(flows, other, friction);
  };
  const fall = (k: number): number =>
    (heads[from[k] as number] as number) - (heads[to[k] as number] as number);
  /** What Newton would still move each chain's flow by, and the largest of them, L/min. */
  const lookAtMoves = (): number => {
    const p = heads,
      i = from,
      j = to,
      drop = drops,
      conductance = conductances,
      out = moves;
    let most = 0;
    for (let k = 0; k < out.length; k += 1) {
      const fallen = (p[i[k] as number] as number) - (p[j[k] as number] as number);
      const by = (fallen - (drop[k] as number)) * (conductance[k] as number),
        size = by < 0 ? -by : by;
      out[k] = by;
      if (!(size <= most)) most = size;
    }
    return most;
  };
  const step = (): boolean => {
    if (n === 0) return true;
    const v = values,
      p = heads,
      q = flows,
      drop = drops,
      slope = conductances,
      froms = from,
      tos = to,
      ii = atFrom,
      jj = atTo,
      ij = atPair;
    v.fill(0);
    p.fill(0);
    for (let k = 0; k < q.length; k += 1) {
      const i = froms[k] as number,
        j = tos[k] as number;
      if (i === j) continue;
      const c = slope[k] as number,
        intercept = (q[k] as number) - (drop[k] as number) * c,
        iSlot = ii[k] as number,
        jSlot = jj[k] as number,
        pair = ij[k] as number;
      v[iSlot] = (v[iSlot] as number) + c;
      v[jSlot] = (v[jSlot] as number) + c;
      v[pair] = (v[pair] as number) - c;
      p[i] = (p[i] as number) - intercept;
      p[j] = (p[j] as number) + intercept;
    }
    heads[n] = 0;
    return system.solve(values, heads);
  };

  /**
   * Newton from the flows as they stand; a friction factor held stands for the true ones, and for
   * tees, where only a start is sought.
   */
  const search = (
    other: AtOther,
    friction: number | null,
    tolerance: number,
  ): { status: NetworkSolution['status']; iterations: number } => {
    let before = Infinity,
      damping = 1;
    evaluate(other, friction);
    for (let i = 0; i < MAX_ITERATIONS; i += 1) {
      if (!step()) return { status: 'singular', iterations: i };
      const move = lookAtMoves();
      if (!Number.isFinite(move)) return { status: 'singular', iterations: i };
      damping = move > before ? Math.max(0.1, damping / 2) : Math.min(1, damping * 1.5);
      for (let k = 0; k < flows.length; k += 1)
        flows[k] = (flows[k] as number) + damping * (moves[k] as number);
      if (damping === 1) {
        if (friction !== null && move < tolerance) return { status: 'solved', iterations: i + 1 };
        if (tees.length === 0 && i > 0 && move < SURE_LMIN && move ** 3 < SURE * before ** 2)
          return { status: 'solved', iterations: i + 1 };
      }
      evaluate(other, friction);
      // Far off, no look can find the flows settled; the first may, where all is linear.
      if (damping === 1 && (i === 0 || move < SURE_LMIN) && lookAtMoves() < tolerance)
        return { status: 'solved', iterations: i + 1 };
      before = move;
    }
    return { status: 'not-converged', iterations: MAX_ITERATIONS };
  };

  /**
   * Where every search starts: the network with friction factors held. Chains alone make the guess
   * where even that has no answer.
   */
  const start = (() => {
    const alone = Float64Array.from(chains, guessOf);
    flows.set(alone);
    return n > 0 && search(AS_IS, GUESS_FRICTION, ROUGH_LMIN).status === 'solved'
      ? Float64Array.from(flows)
      : alone;
  })();

  const run = (other: AtOther = AS_IS): ChainFlows => {
    // By the affinity laws flows go about as speeds.
    const scale = other.share ?? 1;
    for (let k = 0; k < flows.length; k += 1) flows[k] = scale * (start[k] as number);
    for (let t = 0; t < tees.length; t += 1) (tees[t] as TeeState).reset();
    const { status, iterations } = search(other, null, NETWORK_TOLERANCE_LMIN);
    return { status, iterations, flows, pressures };
  };

  /** What is left over at the flows as they stand: energy of every chain, mass of every node. */
  const residual = (other: AtOther): NetworkSolution['residual'] => {
    evaluate(other, null);
    for (let i = 0; i < n; i += 1) mass[i] = 0;
    let energy_kPa = 0,
      mass_Lmin = 0;
    for (let k = 0; k < chains.length; k += 1) {
      const i = from[k] as number,
        j = to[k] as number,
        q = flows[k] as number;
      mass[i] = (mass[i] as number) - q;
      mass[j] = (mass[j] as number) + q;
      energy_kPa = Math.max(energy_kPa, Math.abs(fall(k) - (drops[k] as number)));
    }
    for (let i = 0; i < n; i += 1) mass_Lmin = Math.max(mass_Lmin, Math.abs(mass[i] as number));
    return { energy_kPa, mass_Lmin };
  };

  return {
    network,
    chained,
    run,
    solve: (other = AS_IS) => {
      const solved = run(other);
      return spell(network, chained, tees, { ...solved, residual: residual(other) }, other);
    },
  };
}

/** One solve of one network. */
export const solveNetwork = (network: FlowNetwork, other: AtOther = {}): NetworkSolution =>
  readyNetwork(network).solve(other);

/** Friction factor a first guess is made with: drawn tube at the flows of a loop. */
const GUESS_FRICTION = 0.033;

/**
 * Where to start a chain: with pumps, where parabolas through their curves meet what the chain
 * takes; 3 L/min without.
 */
function guessOf({ terms }: Chain): number {
  if (terms.forced !== null) return terms.forced.sign * terms.forced.flow_Lmin;
  if (terms.laws.length > 0)
    return terms.laws.reduce((sum, { law, sign }) => sum + sign * law.guess, 0) / terms.laws.length;
  const loss = terms.square + terms.frictions.reduce((s, f) => s + GUESS_FRICTION * f.scale, 0);
  const meets = (head_kPa: number, square: number): number =>
    (Math.sqrt(terms.linear ** 2 + 4 * square * Math.abs(head_kPa)) - terms.linear) / (2 * square);
  const shutOff = terms.pumps.reduce(
    (s, p) => s + p.sign * headToPressure(pumpHead(p.curve, 0, p.speed).head_m, 998),
    0,
  );
  if (shutOff === 0 || loss <= 0) return GUESS_LMIN;
  const sign = Math.sign(shutOff);
  let q = meets(shutOff, loss);
  // Twice: the fall of the curves up to the flow found, as a parabola, and where that meets the
  // loss.
  for (let i = 0; i < 2; i += 1) {
    const head_kPa = terms.pumps.reduce(
      (s, p) =>
        s + p.sign * headToPressure(pumpHead(p.curve, p.sign * sign * q, p.speed).head_m, 998),
      0,
    );
    q = meets(shutOff, loss + Math.max(0, Math.abs(shutOff) - sign * head_kPa) / (q * q));
  }
  return sign * q;
}

/** From chains back to every link and node. */
function spell(
  network: FlowNetwork,
  { chains, free, pieces, dead }: Chained,
  tees: readonly TeeState[],
  solved: ChainFlows & Pick<NetworkSolution, 'residual'>,
  other: AtOther,
): NetworkSolution {
  const flows = new Map(network.links.map((l) => [l.id, 0]));
  const drops = new Map<string, number>();
  const pressures = new Map<string, number>(
    pieces.flatMap((p) => p.anchors.map((a) => [a, 0] as const)),
  );
  free.forEach((node, i) => pressures.set(node, solved.pressures[i] as number));
  const dropOf = (k: number, q: number): number =>
    linkDrop(network.links[k] as NetworkLink, q, network.fluid, other) +
    tees.reduce((s, t) => s + t.dropOf(k), 0);
  chains.forEach((chain, c) => {
    let at = pressures.get(chain.fromNode) ?? 0;
    for (const { link: k, sign } of chain.members) {
      const link = network.links[k] as NetworkLink;
      const q = sign * (solved.flows[c] as number);
      const drop = dropOf(k, q);
      flows.set(link.id, q);
      drops.set(link.id, drop);
      at -= sign * drop;
      const next = sign === 1 ? link.to : link.from;
      if (!pressures.has(next)) pressures.set(next, at);
    }
  });
  for (const { link: k, outer } of [...dead].reverse()) {
    const link = network.links[k] as NetworkLink;
    const drop = link.forced_Lmin === undefined ? dropOf(k, 0) : 0;
    drops.set(link.id, drop);
    const inner = pressures.get(link.from === outer ? link.to : link.from) ?? 0;
    pressures.set(outer, link.to === outer ? inner - drop : inner + drop);
  }
  for (const { nodes, zero, anchors } of pieces) {
    if (zero === anchors) continue;
    const base = pressures.get(zero[0] as string) ?? 0;
    for (const node of nodes) pressures.set(node, (pressures.get(node) ?? 0) - base);
  }
  return {
    status: solved.status,
    iterations: solved.iterations,
    residual: solved.residual,
    flows,
    drops,
    pressures,
  };
}
