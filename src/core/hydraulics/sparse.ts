import { msg } from '../messages';

/**
 * Symmetric positive definite equations with few entries, as networks give them: an order of
 * elimination once (least degree first), then LDLᵀ by fixed lists of places for every new set of
 * values. Golub & Van Loan, Matrix Computations, ch. 4 and 11.
 */
export interface SparseSystem {
  /** Values: one for each diagonal place, then one for each pair. */
  readonly size: number;
  /** Where unknown i stands on the right side, in the solution and on the diagonal of the values. */
  place(i: number): number;
  /** Where the pair i, j stands in the values; i ≠ j, and the pair was announced. */
  pair(i: number, j: number): number;
  /**
   * The solution, by place, of values and a right side, which are used up. False when a pivot is
   * not above 0.
   */
  solve(values: Float64Array, right: Float64Array, solution: Float64Array): boolean;
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
  const { place, below } = eliminate(n, near);

  const starts = new Int32Array(n + 1);
  for (let p = 0; p < n; p += 1)
    starts[p + 1] = (starts[p] as number) + (below[p] as number[]).length;
  const rows = Int32Array.from(below.flat());
  const at = (p: number, q: number): number => {
    const low = Math.min(p, q),
      high = Math.max(p, q);
    const k = (below[low] as number[]).indexOf(high);
    if (k < 0) throw new RangeError(msg`a pair that was not announced`);
    return n + (starts[low] as number) + k;
  };
  const updates: number[] = [];
  for (const list of below)
    for (let x = 0; x < list.length; x += 1)
      for (let y = x + 1; y < list.length; y += 1)
        updates.push(at(list[x] as number, list[y] as number));
  const targets = Int32Array.from(updates);

  return {
    size: n + rows.length,
    place: (i) => place[i] as number,
    pair: (i, j) => at(place[i] as number, place[j] as number),
    solve: (values, right, solution) => {
      if (!factor(n, starts, rows, targets, values, right)) return false;
      substitute(n, starts, rows, values, solution);
      return true;
    },
  };
}

/** LDLᵀ column by column, the right side carried along; its row's share left on the diagonal. */
function factor(
  n: number,
  starts: Int32Array,
  rows: Int32Array,
  targets: Int32Array,
  values: Float64Array,
  right: Float64Array,
): boolean {
  let u = 0,
    to = 0;
  for (let p = 0; p < n; p += 1) {
    const pivot = values[p] as number;
    if (!(pivot > 0)) return false;
    const inverse = 1 / pivot,
      known = right[p] as number;
    values[p] = known * inverse;
    const from = to;
    to = starts[p + 1] as number;
    for (let x = from; x < to; x += 1) {
      const v = values[n + x] as number,
        share = v * inverse,
        row = rows[x] as number;
      values[row] = (values[row] as number) - share * v;
      right[row] = (right[row] as number) - share * known;
      for (let y = x + 1; y < to; y += 1, u += 1) {
        const t = targets[u] as number;
        values[t] = (values[t] as number) - share * (values[n + y] as number);
      }
      values[n + x] = share;
    }
  }
  return true;
}

function substitute(
  n: number,
  starts: Int32Array,
  rows: Int32Array,
  values: Float64Array,
  solution: Float64Array,
): void {
  let to = starts[n] as number;
  for (let p = n - 1; p >= 0; p -= 1) {
    const from = starts[p] as number;
    let v = values[p] as number;
    for (let x = from; x < to; x += 1)
      v -= (values[n + x] as number) * (solution[rows[x] as number] as number);
    solution[p] = v;
    to = from;
  }
}

interface Elimination {
  readonly place: Int32Array;
  readonly below: number[][];
}

/** Least degree first; what is taken out ties its neighbours together. */
function eliminate(n: number, near: Set<number>[]): Elimination {
  const place = new Int32Array(n).fill(-1);
  const left: number[][] = [];
  for (let p = 0; p < n; p += 1) {
    let pick = -1;
    for (let i = 0; i < n; i += 1)
      if (
        (place[i] as number) < 0 &&
        (pick < 0 || (near[i] as Set<number>).size < (near[pick] as Set<number>).size)
      )
        pick = i;
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
    place,
    below: left.map((list) => list.map((i) => place[i] as number).sort((a, b) => a - b)),
  };
}
