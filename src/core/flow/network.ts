import { chainNetwork, type Chain, type Chained } from './chains';
import type { FlowNetwork, NetworkLink, NetworkSolution } from './links';
import { headToPressure, pumpHead } from './pump';
import { sparseSystem } from './sparse';
import { teeDrops, type TeeLeg } from './tee';
import { evaluateTerms, linkDrop, type AtOther, type Terms } from './terms';

export const NETWORK_TOLERANCE_LMIN = 1e-7;
const MAX_ITERATIONS = 200;
/**
 * Newton's moves shrink as their squares, so after moves m and m' the next is about m'³/m². When that is a hundredth of the tolerance
 * the flows are there and need no further look; only under moves this small, L/min.
 */
const SURE_LMIN = 1e-2, SURE = NETWORK_TOLERANCE_LMIN / 100;
/** Floor of a chain's slope, kPa per L/min: a part whose drop is purely quadratic has none at rest. */
const SLOPE_FLOOR = 1e-5;
const AS_IS: AtOther = {};
/** Where a search starts, L/min. */
const GUESS_LMIN = 3;

export interface ChainFlows { readonly status: NetworkSolution['status']; readonly iterations: number; readonly flows: Float64Array; readonly pressures: Float64Array }

/** A network made ready: solved again and again at other speeds or held flows. */
export interface ReadyNetwork {
  readonly network: FlowNetwork;
  readonly chained: Chained;
  /** Flows by chain and pressures by free node; the arrays are reused by the next call. */
  run(other?: AtOther): ChainFlows;
  /** The same, spelled out for every link and node. */
  solve(other?: AtOther): NetworkSolution;
}

/**
 * Flows and pressures of any network of links. Global gradient method: Newton on heads and flows together
 * (Todini & Pilati 1988), on chains of links rather than links, with a sparse solve. Stops when no flow moves by more than
 * 1e-7 L/min. Never throws and never gives NaN: the status says what happened.
 */
export function readyNetwork(network: FlowNetwork): ReadyNetwork {
  const chained = chainNetwork(network);
  const { chains, free } = chained;
  const { fluid } = network;
  const terms = chains.map((c) => c.terms);
  const n = free.length;
  const system = sparseSystem(n, chains.filter((c) => c.from >= 0 && c.to >= 0 && c.from !== c.to).map((c) => [c.from, c.to] as const));
  const from = Int32Array.from(chains, (c) => c.from), to = Int32Array.from(chains, (c) => c.to);
  const slots = chains.map((c) => ({
    from: c.from >= 0 ? system.diagonal(c.from) : -1, to: c.to >= 0 ? system.diagonal(c.to) : -1,
    pair: c.from >= 0 && c.to >= 0 && c.from !== c.to ? system.pair(c.from, c.to) : -1,
  }));
  const values = new Float64Array(system.size), pressures = new Float64Array(n), mass = new Float64Array(n);
  const flows = new Float64Array(chains.length), drops = new Float64Array(chains.length), slopes = new Float64Array(chains.length);
  const both = new Float64Array(2);
  const guesses = Float64Array.from(chains, guessOf);
  const tees = teesOf(network, chains);

  const evaluate = (other: AtOther): void => {
    for (let t = 0; t < tees.length; t += 1) (tees[t] as TeeState).split(flows);
    for (let k = 0; k < terms.length; k += 1) {
      evaluateTerms(terms[k] as Terms, flows[k] as number, fluid, other, both);
      drops[k] = both[0] as number;
      slopes[k] = Math.max(SLOPE_FLOOR, both[1] as number);
    }
  };
  const fall = (k: number): number => {
    const i = from[k] as number, j = to[k] as number;
    return (i < 0 ? 0 : (pressures[i] as number)) - (j < 0 ? 0 : (pressures[j] as number));
  };
  /** What Newton would still move a chain's flow by, L/min. */
  const leftOver = (k: number): number => (fall(k) - (drops[k] as number)) / (slopes[k] as number);
  const largestLeftOver = (): number => {
    let most = 0;
    for (let k = 0; k < terms.length; k += 1) { const by = Math.abs(leftOver(k)); if (!(by <= most)) most = by; }
    return most;
  };
  const step = (): boolean => {
    if (n === 0) return true;
    for (let i = 0; i < values.length; i += 1) values[i] = 0;
    for (let i = 0; i < n; i += 1) pressures[i] = 0;
    for (let k = 0; k < chains.length; k += 1) {
      const i = from[k] as number, j = to[k] as number;
      if (i === j) continue;
      const conductance = 1 / (slopes[k] as number);
      const intercept = (flows[k] as number) - (drops[k] as number) * conductance;
      const slot = slots[k] as (typeof slots)[number];
      if (i >= 0) { values[slot.from] = (values[slot.from] as number) + conductance; pressures[i] = (pressures[i] as number) - intercept; }
      if (j >= 0) { values[slot.to] = (values[slot.to] as number) + conductance; pressures[j] = (pressures[j] as number) + intercept; }
      if (slot.pair >= 0) values[slot.pair] = (values[slot.pair] as number) - conductance;
    }
    return system.solve(values, pressures);
  };

  const run = (other: AtOther = AS_IS): ChainFlows => {
    for (let k = 0; k < terms.length; k += 1) flows[k] = guesses[k] as number;
    for (let t = 0; t < tees.length; t += 1) (tees[t] as TeeState).reset();
    let status: NetworkSolution['status'] = 'not-converged', before = Infinity, damping = 1, iterations = 0;
    evaluate(other);
    for (; iterations < MAX_ITERATIONS && status === 'not-converged'; iterations += 1) {
      if (!step()) { status = 'singular'; break; }
      const move = largestLeftOver();
      if (!Number.isFinite(move)) { status = 'singular'; break; }
      damping = move > before ? Math.max(0.1, damping / 2) : Math.min(1, damping * 1.5);
      for (let k = 0; k < terms.length; k += 1) flows[k] = (flows[k] as number) + damping * leftOver(k);
      if (damping === 1 && tees.length === 0 && iterations > 0 && move < SURE_LMIN && move ** 3 < SURE * before ** 2) status = 'solved';
      else {
        evaluate(other);
        if (damping === 1 && largestLeftOver() < NETWORK_TOLERANCE_LMIN) status = 'solved';
      }
      before = move;
    }
    return { status, iterations, flows, pressures };
  };

  /** What is left over at the flows as they stand: energy of every chain, mass of every node. */
  const residual = (other: AtOther): NetworkSolution['residual'] => {
    evaluate(other);
    for (let i = 0; i < n; i += 1) mass[i] = 0;
    let energy_kPa = 0, mass_Lmin = 0;
    for (let k = 0; k < terms.length; k += 1) {
      const i = from[k] as number, j = to[k] as number, q = flows[k] as number;
      if (i >= 0) mass[i] = (mass[i] as number) - q;
      if (j >= 0) mass[j] = (mass[j] as number) + q;
      energy_kPa = Math.max(energy_kPa, Math.abs(fall(k) - (drops[k] as number)));
    }
    for (let i = 0; i < n; i += 1) mass_Lmin = Math.max(mass_Lmin, Math.abs(mass[i] as number));
    return { energy_kPa, mass_Lmin };
  };

  return {
    network, chained, run,
    solve: (other = AS_IS) => {
      const solved = run(other);
      return spell(network, chained, tees, { ...solved, residual: residual(other) }, other);
    },
  };
}

/** One solve of one network. */
export const solveNetwork = (network: FlowNetwork, other: AtOther = {}): NetworkSolution => readyNetwork(network).solve(other);

/** Friction factor a first guess is made with: drawn tube at the flows of a loop. */
const GUESS_FRICTION = 0.033;

/** Where to start a chain: with pumps, where parabolas through their curves meet what the chain takes; 3 L/min without. */
function guessOf({ terms }: Chain): number {
  if (terms.forced !== null) return terms.forced.sign * terms.forced.flow_Lmin;
  const loss = terms.square + terms.frictions.reduce((s, f) => s + GUESS_FRICTION * f.scale, 0);
  const meets = (head_kPa: number, square: number): number => (Math.sqrt(terms.linear ** 2 + 4 * square * Math.abs(head_kPa)) - terms.linear) / (2 * square);
  const shutOff = terms.pumps.reduce((s, p) => s + p.sign * headToPressure(pumpHead(p.curve, 0, p.speed).head_m, 998), 0);
  if (shutOff === 0 || loss <= 0) return GUESS_LMIN;
  const sign = Math.sign(shutOff);
  let q = meets(shutOff, loss);
  // Twice: the fall of the curves up to the flow found, as a parabola, and where that meets the loss.
  for (let i = 0; i < 2; i += 1) {
    const given = terms.pumps.reduce((s, p) => s + p.sign * headToPressure(pumpHead(p.curve, p.sign * sign * q, p.speed).head_m, 998), 0);
    q = meets(shutOff, loss + Math.max(0, Math.abs(shutOff) - sign * given) / (q * q));
  }
  return sign * q;
}

interface TeeState { split(flows: Float64Array): void; reset(): void; dropOf(link: number): number }

/** Tees tie the drops of their legs to the split: worked out anew from each round's flows. */
function teesOf(network: FlowNetwork, chains: readonly Chain[]): readonly TeeState[] {
  const ids = [...new Set(network.links.flatMap((l) => (l.tee ? [l.tee.id] : [])))];
  return ids.map((id): TeeState => {
    const legs = network.links.flatMap((link, k) => {
      if (link.tee?.id !== id) return [];
      const chain = chains.findIndex((c) => c.members.some((m) => m.link === k));
      const sign = chains[chain]?.members.find((m) => m.link === k)?.sign ?? 1;
      return [{ link: k, leg: link.tee.leg, chain, sign, bore_mm: link.tee.bore_mm, square: 0, constant: 0, drop: 0 }];
    });
    const shift = (leg: (typeof legs)[number], square: number, constant: number): void => {
      const terms = chains[leg.chain]?.terms;
      if (!terms) return;
      terms.teeSquare += square - leg.square;
      terms.teeConstant += leg.sign * (constant - leg.constant);
      leg.square = square;
      leg.constant = constant;
    };
    return {
      reset: () => { for (const leg of legs) { shift(leg, 0, 0); leg.drop = 0; } },
      split: (flows) => {
        const into: Record<TeeLeg, number> = { 'run-a': 0, 'run-b': 0, branch: 0 };
        for (const leg of legs) into[leg.leg] = leg.chain < 0 ? 0 : leg.sign * (flows[leg.chain] as number);
        const drops = teeDrops(into, legs[0]?.bore_mm ?? 1, network.fluid.density_kgm3);
        for (const leg of legs) {
          const q = into[leg.leg];
          leg.drop = drops[leg.leg];
          // Losses always go with the flow, so a quadratic carries most of the change; a trickle keeps the plain value.
          if (Math.abs(q) > 0.05) shift(leg, leg.drop / (q * Math.abs(q)), 0); else shift(leg, 0, leg.drop);
        }
      },
      dropOf: (link) => legs.find((l) => l.link === link)?.drop ?? 0,
    };
  });
}

/** From chains back to every link and node. */
function spell(network: FlowNetwork, { chains, free, held, dead }: Chained, tees: readonly TeeState[], solved: ChainFlows & Pick<NetworkSolution, 'residual'>, other: AtOther): NetworkSolution {
  const flows = new Map(network.links.map((l) => [l.id, 0]));
  const drops = new Map<string, number>();
  const pressures = new Map<string, number>([...held].map((h) => [h, 0]));
  free.forEach((node, i) => pressures.set(node, solved.pressures[i] as number));
  const dropOf = (k: number, q: number): number => linkDrop(network.links[k] as NetworkLink, q, network.fluid, other) + tees.reduce((s, t) => s + t.dropOf(k), 0);
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
  return { status: solved.status, iterations: solved.iterations, residual: solved.residual, flows, drops, pressures };
}
