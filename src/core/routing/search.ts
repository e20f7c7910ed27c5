/** A best-first search over states with a lower bound: knows nothing of tubes or space. */
export interface Problem<S> {
  /** Where to begin, with what each costs already. */
  readonly starts: readonly { readonly state: S; readonly cost: number }[];
  /** States of one key are the same place: only the cheapest way to it is followed. */
  key(state: S): number | string;
  /** Where keys are whole numbers from 0 up to this, they are looked up by place. */
  readonly places?: number;
  /** Whether a state is an end. */
  done(state: S): boolean;
  /**
   * Tells the neighbours, each with the cost of the step, ≥ 0. `wanted` answers whether a place of
   * that key is worth telling at that cost: it spares the making of many.
   */
  next(
    state: S,
    tell: (state: S, cost: number) => void,
    wanted: (key: number | string, cost: number) => boolean,
  ): void;
  /**
   * Never more than what is still to be paid: the path found is then the cheapest (Hart, Nilsson &
   * Raphael 1968).
   */
  bound(state: S): number;
  /** Only paths cheaper than this are looked for. */
  readonly under?: number;
  /** Called where the search ends for its patience, with places still to look at. */
  gaveUp?(): void;
}

export interface Found<S> {
  readonly path: readonly S[];
  readonly cost: number;
  readonly expanded: number;
}

/** The least cost known of each key. */
function ledger(places: number | undefined): {
  get(key: number | string): number;
  set(key: number | string, cost: number): void;
} {
  if (places !== undefined) {
    const list = new Float64Array(places).fill(Infinity);
    return {
      get: (k) => list[k as number] as number,
      set: (k, c) => {
        list[k as number] = c;
      },
    };
  }
  const map = new Map<number | string, number>();
  return {
    get: (k) => map.get(k) ?? Infinity,
    set: (k, c) => {
      map.set(k, c);
    },
  };
}

/**
 * Cheapest path, or null when there is none within `most` expansions. Deterministic: ties go to
 * what was found last, so that of many ways as good one is followed to its end. With `weight` over
 * 1 the path may cost up to so many times the cheapest (Pohl 1970), found sooner.
 */
export function cheapestPath<S>(problem: Problem<S>, most = 200_000, weight = 1): Found<S> | null {
  const best = ledger(problem.places),
    heap = new Heap(),
    { under = Infinity } = problem;
  // What was reached, by the order it was reached in: its state, what it cost, and what it was
  // reached from.
  const states: S[] = [],
    costs: number[] = [],
    from: number[] = [];
  let expanded = 0,
    here = -1,
    spent = 0;
  const push = (state: S, cost: number): void => {
    const key = problem.key(state);
    if (best.get(key) <= cost) return;
    const rest = problem.bound(state);
    if (cost + rest >= under) return;
    best.set(key, cost);
    heap.push(cost + weight * rest, states.length);
    states.push(state);
    costs.push(cost);
    from.push(here);
  };
  const tell = (state: S, step: number): void => push(state, spent + step);
  const wanted = (key: number | string, step: number): boolean => best.get(key) > spent + step;
  for (const s of problem.starts) push(s.state, s.cost);
  for (let node = heap.pop(); node >= 0; node = heap.pop()) {
    const state = states[node] as S,
      cost = costs[node] as number;
    if (best.get(problem.key(state)) < cost) continue;
    if (problem.done(state)) {
      const path: S[] = [];
      for (let n = node; n >= 0; n = from[n] as number) path.unshift(states[n] as S);
      return { path, cost, expanded };
    }
    expanded += 1;
    if (expanded > most) {
      problem.gaveUp?.();
      return null;
    }
    here = node;
    spent = cost;
    problem.next(state, tell, wanted);
  }
  return null;
}

/** Binary heap of numbered entries by rank, then the latest first. */
class Heap {
  private readonly ranks: number[] = [];
  private readonly entries: number[] = [];

  push(rank: number, entry: number): void {
    const { ranks, entries } = this;
    let i = ranks.push(rank) - 1;
    entries.push(entry);
    while (i > 0) {
      const up = (i - 1) >> 1,
        r = ranks[up] as number;
      if (r < rank || (r === rank && (entries[up] as number) > entry)) break;
      ranks[i] = r;
      entries[i] = entries[up] as number;
      i = up;
    }
    ranks[i] = rank;
    entries[i] = entry;
  }

  /** The entry of the lowest rank; −1 when there is none. */
  pop(): number {
    const { ranks, entries } = this,
      top = entries[0],
      rank = ranks.pop(),
      entry = entries.pop();
    if (top === undefined || rank === undefined || entry === undefined) return -1;
    const n = ranks.length;
    if (n === 0) return top;
    let i = 0;
    for (;;) {
      let down = 2 * i + 1;
      if (down >= n) break;
      if (
        down + 1 < n &&
        ((ranks[down + 1] as number) < (ranks[down] as number) ||
          (ranks[down + 1] === ranks[down] &&
            (entries[down + 1] as number) > (entries[down] as number)))
      )
        down += 1;
      const r = ranks[down] as number;
      if (rank < r || (rank === r && entry > (entries[down] as number))) break;
      ranks[i] = r;
      entries[i] = entries[down] as number;
      i = down;
    }
    ranks[i] = rank;
    entries[i] = entry;
    return top;
  }
}
