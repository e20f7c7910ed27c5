import type { Connection, Loop } from '../design';
import type { System } from '../system';
import { costBetween, fixedBodies, leastBetween, taskFor, type Fixed, type Task } from '../routing';
import { distance } from '../geometry';
import { leastJoint, type Factor } from './eliminate';
import { endKey, type PartState, type Variable } from './states';

type Tell = (done: number, of: number) => boolean;

/** Looks at which costs are made sharper before the search ends with what it has. */
const MOST_LOOKS = 6000;

/** A choice of one state for every part, and what its runs are reckoned at. */
export interface Choice {
  /** By the order of the variables. */
  readonly states: readonly number[];
  readonly cost: number;
  /** Whether no other choice is reckoned cheaper. */
  readonly proven: boolean;
}

/** What one choice of states is reckoned at, by true costs. */
export function costOfChoice(
  system: System,
  variables: readonly Variable[],
  states: readonly number[],
): number {
  return new ChoiceSearch(system, variables).costOf(states);
}

/** A connection between two parts, with what is known of its costs by their states. */
interface Pair {
  readonly loop: Loop;
  readonly connection: Connection;
  readonly a: number;
  readonly b: number;
  readonly costs: Float64Array;
  /** How sharp each cost is: 0 the distance, 1 closed forms, 2 past all that stands. */
  readonly sharp: Uint8Array;
}

/**
 * Looks for the choice of ports, turns and places of all parts at which their runs are reckoned
 * least: each pair of ports by the cheapest way past all that stands, other runs aside. Exact: a
 * choice is the least over bounds that are never too high, and the bounds it rests on are made sharp
 * (by closed form, then by a search in the room) until it rests on true costs alone. What routing
 * all runs together then teaches of a pair (`learn`) is kept for the next choice.
 */
export class ChoiceSearch {
  private readonly pairs: readonly Pair[];
  private readonly fixed: readonly Fixed[];
  private readonly sizes: readonly number[];
  private readonly memo = new Map<string, number>();

  constructor(
    private readonly system: System,
    private readonly variables: readonly Variable[],
  ) {
    this.fixed = fixedBodies(system);
    this.sizes = variables.map((v) => v.states.length);
    const number = new Map(variables.map((v, i) => [v.component, i]));
    this.pairs = system.design.loops.flatMap((loop) =>
      loop.connections.flatMap((connection): Pair[] => {
        const a = number.get(connection.from.component),
          b = number.get(connection.to.component);
        return connection.by !== 'tube' || a === undefined || b === undefined
          ? []
          : [this.pairOf(loop, connection, a, b)];
      }),
    );
  }

  private pairOf(loop: Loop, connection: Connection, a: number, b: number): Pair {
    const [n, m] = [this.sizes[a] as number, this.sizes[b] as number];
    const costs = new Float64Array(n * m);
    const pair = { loop, connection, a, b, costs, sharp: new Uint8Array(n * m) };
    for (let i = 0; i < n; i += 1)
      for (let k = 0; k < m; k += 1) {
        const ports = this.portsOf(pair, i, k);
        costs[i * m + k] = ports ? distance(ports[0].at, ports[1].at) * SURE : Infinity;
        if (a === b && i !== k) costs[i * m + k] = Infinity;
      }
    return pair;
  }

  least(tell: Tell = () => true): Choice {
    const still = this.sizes.map(() => 0);
    let best: Choice = { states: still, cost: this.costOf(still), proven: false };
    for (let looks = 0; looks < MOST_LOOKS && tell(looks, MOST_LOOKS);) {
      const found = leastJoint(this.sizes, this.factors());
      // Too many parts on too many runs to weigh at once.
      if (!found) return best;
      if (found.cost >= best.cost - 1e-6) return { ...best, proven: true };
      const blunt = this.pairs.filter(
        (p) => (p.sharp[this.placeOf(p, found.values)] as number) < 2,
      );
      looks += Math.max(1, blunt.length);
      // By closed forms where distances were all that was known; past all that stands after that.
      const distant = blunt.filter((p) => p.sharp[this.placeOf(p, found.values)] === 0);
      for (const pair of distant.length > 0 ? distant : blunt) this.sharpen(pair, found.values);
      if (distant.length > 0) continue;
      const cost = this.costOf(found.values);
      if (cost < best.cost) best = { states: found.values, cost, proven: false };
    }
    return best;
  }

  costOf(states: readonly number[]): number {
    for (const pair of this.pairs) {
      this.sharpen(pair, states);
      this.sharpen(pair, states);
    }
    const own = this.variables.reduce(
      (sum, v, i) => sum + (v.states[states[i] as number] as PartState).cost,
      0,
    );
    return this.pairs.reduce((sum, p) => sum + (p.costs[this.placeOf(p, states)] as number), own);
  }

  /** What a run came to beside all others, in these states. */
  learn(connection: string, states: readonly number[], cost: number): void {
    for (const pair of this.pairs) {
      if (pair.connection.id !== connection) continue;
      const at = this.placeOf(pair, states);
      pair.costs[at] = Math.max(pair.costs[at] as number, cost);
      pair.sharp[at] = 2;
    }
  }

  private factors(): readonly Factor[] {
    const own = this.variables.map((v, i): Factor => ({
      of: [i],
      costs: Float64Array.from(v.states, (s) => s.cost),
    }));
    return [...own, ...this.pairs.map((p) => this.factorOf(p))];
  }

  /** A pair's table with its variables ascending. */
  private factorOf({ a, b, costs }: Pair): Factor {
    const [n, m] = [this.sizes[a] as number, this.sizes[b] as number];
    if (a === b)
      return {
        of: [a],
        costs: Float64Array.from({ length: n }, (_, i) => costs[i * m + i] as number),
      };
    if (a < b) return { of: [a, b], costs };
    const turned = new Float64Array(n * m);
    for (let i = 0; i < n; i += 1)
      for (let k = 0; k < m; k += 1) turned[k * n + i] = costs[i * m + k] as number;
    return { of: [b, a], costs: turned };
  }

  private placeOf({ a, b }: Pair, states: readonly number[]): number {
    return (states[a] as number) * (this.sizes[b] as number) + (states[b] as number);
  }

  private portsOf(
    { connection, a, b }: Pick<Pair, 'connection' | 'a' | 'b'>,
    i: number,
    k: number,
  ) {
    const from = this.stateOf(a, i).ports.get(endKey({ connection: connection.id, side: 'from' })),
      to = this.stateOf(b, k).ports.get(endKey({ connection: connection.id, side: 'to' }));
    return from && to ? ([from, to] as const) : null;
  }

  private stateOf(variable: number, state: number): PartState {
    return (this.variables[variable] as Variable).states[state] as PartState;
  }

  /** Makes the cost of a pair in these states one step sharper. */
  private sharpen(pair: Pair, states: readonly number[]): void {
    const at = this.placeOf(pair, states);
    const now = pair.sharp[at] as number;
    if (now === 2) return;
    const i = states[pair.a] as number,
      k = states[pair.b] as number;
    const ports = this.portsOf(pair, i, k);
    if (ports) {
      const task = taskFor(this.system, pair.loop, pair.connection, ports[0], ports[1]);
      const next = now === 0 ? leastBetween(this.system, task) : this.trueCost(pair, task, i, k);
      pair.costs[at] = Math.max(pair.costs[at] as number, next);
    }
    pair.sharp[at] = now + 1;
  }

  private trueCost(pair: Pair, task: Task, i: number, k: number): number {
    const key = [
      pair.connection.id,
      task.from.at,
      task.from.direction,
      task.to.at,
      task.to.direction,
    ].join(' ');
    const known = this.memo.get(key);
    if (known !== undefined) return known;
    const cost = costBetween(this.system, task, this.fixedWith(pair, i, k));
    this.memo.set(key, cost);
    return cost;
  }

  /** All that stands, with the two parts of a run where their states put them. */
  private fixedWith({ a, b }: Pair, i: number, k: number): readonly Fixed[] {
    let fixed = this.fixed;
    for (const [variable, state] of [
      [a, i],
      [b, k],
    ] as const) {
      const { bodies } = this.stateOf(variable, state);
      const { group, component } = this.variables[variable] as Variable;
      // Plugs give way to the run; drain and fill stay.
      fixed = fixed.filter(
        (f) => !(bodies && group.has(f.id)) && !(f.id === component && f.port !== undefined),
      );
      if (bodies) fixed = [...fixed, ...bodies.filter((f) => f.port === undefined)];
    }
    return fixed;
  }
}

/** A tube is longer than the distance between its ports less what its fittings reach. */
const SURE = 0.5;
