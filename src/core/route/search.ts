/** A best-first search over states with a lower bound: knows nothing of tubes or space. */
export interface Problem<S> {
  /** Where to begin, with what each costs already. */
  readonly starts: readonly { readonly state: S; readonly cost: number }[];
  /** States of one key are the same place: only the cheapest way to it is followed. */
  key(state: S): number | string;
  /** Whether a state is an end. */
  done(state: S): boolean;
  /** Tells the neighbours, each with the cost of the step, ≥ 0. `wanted` answers whether a place of that key is worth telling at that cost: it spares the making of many. */
  next(state: S, tell: (state: S, cost: number) => void, wanted: (key: number | string, cost: number) => boolean): void;
  /** Never more than what is still to be paid: the path found is then the cheapest (Hart, Nilsson & Raphael 1968). */
  bound(state: S): number;
}

export interface Found<S> { readonly path: readonly S[]; readonly cost: number; readonly expanded: number }

interface Node<S> { readonly state: S; readonly cost: number; readonly rank: number; readonly order: number; readonly from: Node<S> | null }

/**
 * Cheapest path, or null when there is none within `most` expansions. Deterministic: ties go to what was found last, so that of many ways
 * as good one is followed to its end. With `weight` over 1 the path may cost up to so many times the cheapest (Pohl 1970), found sooner.
 */
export function cheapestPath<S>(problem: Problem<S>, most = 200_000, weight = 1): Found<S> | null {
  const heap = new Heap<S>(), best = new Map<number | string, number>();
  let order = 0, expanded = 0;
  const push = (state: S, cost: number, from: Node<S> | null): void => {
    const key = problem.key(state), known = best.get(key);
    if (known !== undefined && known <= cost) return;
    best.set(key, cost);
    heap.push({ state, cost, rank: cost + weight * problem.bound(state), order: order += 1, from });
  };
  for (const s of problem.starts) push(s.state, s.cost, null);
  for (let node = heap.pop(); node; node = heap.pop()) {
    if ((best.get(problem.key(node.state)) ?? Infinity) < node.cost) continue;
    if (problem.done(node.state)) {
      const path: S[] = [];
      for (let n: Node<S> | null = node; n; n = n.from) path.unshift(n.state);
      return { path, cost: node.cost, expanded };
    }
    expanded += 1;
    if (expanded > most) return null;
    const here = node;
    problem.next(here.state, (state, cost) => push(state, here.cost + cost, here), (key, cost) => { const known = best.get(key); return known === undefined || known > here.cost + cost; });
  }
  return null;
}

/** Binary heap by rank, then the latest first. */
class Heap<S> {
  private readonly list: Node<S>[] = [];

  push(node: Node<S>): void {
    const { list } = this;
    let i = list.push(node) - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (!before(node, list[up] as Node<S>)) break;
      list[i] = list[up] as Node<S>;
      i = up;
    }
    list[i] = node;
  }

  pop(): Node<S> | undefined {
    const { list } = this, [top] = list, last = list.pop();
    if (!top || !last || list.length === 0) return top;
    let i = 0;
    for (;;) {
      let down = 2 * i + 1;
      if (down >= list.length) break;
      if (down + 1 < list.length && before(list[down + 1] as Node<S>, list[down] as Node<S>)) down += 1;
      if (!before(list[down] as Node<S>, last)) break;
      list[i] = list[down] as Node<S>;
      i = down;
    }
    list[i] = last;
    return top;
  }
}

const before = <S>(a: Node<S>, b: Node<S>): boolean => a.rank < b.rank || (a.rank === b.rank && a.order > b.order);
