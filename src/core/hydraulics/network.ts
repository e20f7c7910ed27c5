import { chainNetwork, type Chain, type Chained, type Topology } from './chains';
import { ENDS, equationsOf, lay, mostMove, scaled, spread } from './equations';
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
/** How near the start with held friction is sought, L/min, and how often it is held anew. */
const ROUGH_LMIN = 0.05,
  LOOKS = 3;

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
  const n = free.length;
  const system = systemOf(chained.topology);
  const equations = equationsOf(chains, n, system);
  const { ends } = equations;
  const table = layTerms(
    chains.map((c) => c.terms),
    network.fluid,
  );
  const { drops, conductances } = table;
  const heads = new Float64Array(n + 1),
    pressures = new Float64Array(n),
    places = Int32Array.from(free, (_, i) => system.place(i)),
    mass = new Float64Array(n + 1);
  const flows = new Float64Array(chains.length);
  const tees = teesOf(network, chains, table);

  const evaluate = (other: AtOther, held: Float64Array | null): void => {
    if (held === null) for (let t = 0; t < tees.length; t += 1) (tees[t] as TeeState).split(flows);
    table.evaluate(flows, other, held);
  };
  const step = (): boolean => {
    if (n === 0) return true;
    lay(flows, drops, conductances, equations);
    return system.solve(equations.values, equations.right, heads);
  };
  /** Moves flows by so much of what Newton asks; the most it asks, L/min. */
  const move = (damping: number): number =>
    mostMove(heads, ends, drops, conductances, flows, damping);

  /**
   * Newton from the flows as they stand; friction factors held stand for the true ones, and for
   * tees, where only a start is sought.
   */
  const search = (
    other: AtOther,
    held: Float64Array | null,
    tolerance: number,
  ): { status: NetworkSolution['status']; iterations: number } => {
    let before = Infinity,
      damping = 1;
    evaluate(other, held);
    for (let i = 0; i < MAX_ITERATIONS; i += 1) {
      if (!step()) return { status: 'singular', iterations: i };
      const moved = move(1);
      if (!Number.isFinite(moved)) {
        flows.fill(0);
        heads.fill(0);
        return { status: 'singular', iterations: i };
      }
      damping = moved > before ? Math.max(0.1, damping / 2) : Math.min(1, damping * 1.5);
      const next = moved ** 3 / (i === 0 ? 1 : before ** 2);
      if (damping < 1) move(damping - 1);
      if (damping === 1) {
        if (held !== null && moved < tolerance) return { status: 'solved', iterations: i + 1 };
        if (tees.length === 0 && i > 0 && moved < SURE_LMIN && next < SURE)
          return { status: 'solved', iterations: i + 1 };
      }
      evaluate(other, held);
      // Only where the next move may be the last is a look worth its while.
      if (damping === 1 && next < NETWORK_TOLERANCE_LMIN && move(0) < tolerance)
        return { status: 'solved', iterations: i + 1 };
      before = moved;
    }
    return { status: 'not-converged', iterations: MAX_ITERATIONS };
  };

  /**
   * Where every search starts: the network with friction factors held, at one for all, then at what
   * the flows found make of them. Chains alone make the guess where even that has no answer.
   */
  const start = (() => {
    const alone = Float64Array.from(chains, guessOf);
    flows.set(alone);
    if (n === 0) return alone;
    const held = new Float64Array(chains.length).fill(GUESS_FRICTION);
    for (let look = 0; look < LOOKS; look += 1) {
      if (search(AS_IS, held, ROUGH_LMIN).status !== 'solved') return alone;
      table.hold(flows, held);
    }
    return Float64Array.from(flows);
  })();

  const run = (other: AtOther = AS_IS): ChainFlows => {
    // By the affinity laws flows go about as speeds.
    const scale = other.share ?? 1;
    scaled(start, scale, flows);
    for (let t = 0; t < tees.length; t += 1) (tees[t] as TeeState).reset();
    const { status, iterations } = search(other, null, NETWORK_TOLERANCE_LMIN);
    spread(heads, places, pressures);
    return { status, iterations, flows, pressures };
  };

  /** What is left over at the flows as they stand: energy of every chain, mass of every node. */
  const residual = (other: AtOther): NetworkSolution['residual'] => {
    evaluate(other, null);
    mass.fill(0);
    let energy_kPa = 0,
      mass_Lmin = 0;
    for (let k = 0; k < chains.length; k += 1) {
      const i = ends[k * ENDS] as number,
        j = ends[k * ENDS + 1] as number,
        q = flows[k] as number;
      mass[i] = (mass[i] as number) - q;
      mass[j] = (mass[j] as number) + q;
      const fall = (heads[i] as number) - (heads[j] as number);
      energy_kPa = Math.max(energy_kPa, Math.abs(fall - (drops[k] as number)));
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
