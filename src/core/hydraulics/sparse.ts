/**
 * Symmetric positive definite equations with few entries, as networks give them: an order of
 * elimination once (least degree first), then LDLᵀ by fixed lists of places for every new set of
 * values. Golub & Van Loan, Matrix Computations, ch. 4 and 11.
 */
export interface SparseSystem {
  /** Values: one for each diagonal place, then one for each pair. */
  readonly size: number;
  /** Where the diagonal of unknown i stands in the values. */
  diagonal(i: number): number;
  /** Where the pair i, j stands in the values; i ≠ j, and the pair was announced. */
  pair(i: number, j: number): number;
  /**
   * Solves in place: values become factors, the right side the solution. False when a pivot is not
   * above 0.
   */
  solve(values: Float64Array, right: Float64Array): boolean;
}

export function sparseSystem(
  n: number,
  pairs: readonly (readonly [number, number])[],
): SparseSystem {
  const near: Set<number>[] = Array.from({ length: n }, () => new Set<number>());
  for (const [i, j] of pairs)
    if (i !== j) {
      near[i]?.add(j);
      near[j]?.add(i);
    }
  const { order, place, below } = eliminate(n, near);

  const starts = new Int32Array(n + 1);
  for (let p = 0; p < n; p += 1)
    starts[p + 1] = (starts[p] as number) + (below[p] as number[]).length;
  const rows = Int32Array.from(below.flat());
  const at = (p: number, q: number): number => {
    const low = Math.min(p, q),
      high = Math.max(p, q);
    const k = (below[low] as number[]).indexOf(high);
    if (k < 0) throw new RangeError('a pair that was not announced');
    return n + (starts[low] as number) + k;
  };
  const updates: number[] = [];
  for (const list of below)
    for (let x = 0; x < list.length; x += 1)
      for (let y = x + 1; y < list.length; y += 1)
        updates.push(at(list[x] as number, list[y] as number));
  const targets = Int32Array.from(updates);
  const work = new Float64Array(n);

  return {
    size: n + rows.length,
    diagonal: (i) => place[i] as number,
    pair: (i, j) => at(place[i] as number, place[j] as number),
    solve: (values, right) => {
      for (let p = 0; p < n; p += 1) work[p] = right[order[p] as number] as number;
      let u = 0;
      for (let p = 0; p < n; p += 1) {
        const pivot = values[p] as number;
        if (!(pivot > 0)) return false;
        const inverse = 1 / pivot,
          known = work[p] as number;
        // From here on the diagonal holds the solution's share of its own row.
        values[p] = known * inverse;
        const from = starts[p] as number,
          to = starts[p + 1] as number;
        for (let x = from; x < to; x += 1) {
          const v = values[n + x] as number,
            factor = v * inverse,
            row = rows[x] as number;
          values[row] = (values[row] as number) - factor * v;
          work[row] = (work[row] as number) - factor * known;
          for (let y = x + 1; y < to; y += 1, u += 1) {
            const t = targets[u] as number;
            values[t] = (values[t] as number) - factor * (values[n + y] as number);
          }
          values[n + x] = factor;
        }
      }
      for (let p = n - 1; p >= 0; p -= 1) {
        let v = values[p] as number;
        for (let x = starts[p] as number; x < (starts[p + 1] as number); x += 1)
          v -= (values[n + x] as number) * (work[rows[x] as number] as number);
        work[p] = v;
        right[order[p] as number] = v;
      }
      return true;
    },
  };
}

interface Elimination {
  readonly order: Int32Array;
  readonly place: Int32Array;
  readonly below: number[][];
}

/** Least degree first; what is taken out ties its neighbours together. */
function eliminate(n: number, near: Set<number>[]): Elimination {
  const order = new Int32Array(n),
    place = new Int32Array(n).fill(-1);
  const left: number[][] = [];
  for (let p = 0; p < n; p += 1) {
    let pick = -1;
    for (let i = 0; i < n; i += 1)
      if (
        (place[i] as number) < 0 &&
        (pick < 0 || (near[i] as Set<number>).size < (near[pick] as Set<number>).size)
      )
        pick = i;
    order[p] = pick;
    place[pick] = p;
    const list = [...(near[pick] as Set<number>)];
    left.push(list);
    for (const a of list) {
      const set = near[a] as Set<number>;
      set.delete(pick);
      for (const b of list) if (b !== a) set.add(b);
    }
  }
  return {
    order,
    place,
    below: left.map((list) => list.map((i) => place[i] as number).sort((a, b) => a - b)),
  };
}
