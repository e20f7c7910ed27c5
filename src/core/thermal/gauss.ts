/**
 * Elimination with partial pivoting in two steps, for one matrix and many right-hand sides: A
 * becomes its factors in place (row-major, n × n), `order` its row swaps. False when A is singular.
 * Written out because a heat balance is solved some 200 times an evaluation and matrix objects cost
 * more than the arithmetic.
 */
export function luFactor(a: Float64Array, order: Int32Array, n: number): boolean {
  for (let c = 0; c < n; c += 1) {
    let pivot = c;
    for (let r = c + 1; r < n; r += 1)
      if (Math.abs(a[r * n + c] as number) > Math.abs(a[pivot * n + c] as number)) pivot = r;
    order[c] = pivot;
    const p = a[pivot * n + c] as number;
    if (!(Math.abs(p) > 1e-12)) return false;
    if (pivot !== c)
      for (let k = 0; k < n; k += 1) {
        const t = a[c * n + k] as number;
        a[c * n + k] = a[pivot * n + k] as number;
        a[pivot * n + k] = t;
      }
    for (let r = c + 1; r < n; r += 1) {
      const f = (a[r * n + c] as number) / p;
      a[r * n + c] = f;
      if (f !== 0)
        for (let k = c + 1; k < n; k += 1)
          a[r * n + k] = (a[r * n + k] as number) - f * (a[c * n + k] as number);
    }
  }
  return true;
}

/** Solves with factors; x is left in b. */
export function luSolve(a: Float64Array, order: Int32Array, b: Float64Array, n: number): void {
  for (let c = 0; c < n; c += 1) {
    const p = order[c] as number;
    if (p !== c) {
      const t = b[c] as number;
      b[c] = b[p] as number;
      b[p] = t;
    }
  }
  for (let r = 1; r < n; r += 1) {
    let sum = b[r] as number;
    for (let k = 0; k < r; k += 1) sum -= (a[r * n + k] as number) * (b[k] as number);
    b[r] = sum;
  }
  for (let r = n - 1; r >= 0; r -= 1) {
    let sum = b[r] as number;
    for (let k = r + 1; k < n; k += 1) sum -= (a[r * n + k] as number) * (b[k] as number);
    b[r] = sum / (a[r * n + r] as number);
  }
}

/** The same factors without their zeros, row by row: for solving again and again. */
export interface SparseLu {
  /** Where each row's entries left of its diagonal, and right of it, start. */
  readonly lower: Int32Array;
  readonly upper: Int32Array;
  readonly column: Int32Array;
  readonly value: Float64Array;
  readonly diagonal: Float64Array;
}

/** Rows one after another: what is left of the diagonal, then what is right of it. */
export function sparseLu(a: Float64Array, n: number): SparseLu {
  const lower = new Int32Array(n + 1),
    upper = new Int32Array(n + 1),
    diagonal = new Float64Array(n);
  const column: number[] = [],
    value: number[] = [];
  for (let r = 0; r < n; r += 1) {
    lower[r] = column.length;
    for (let k = 0; k < n; k += 1) {
      const x = a[r * n + k] as number;
      if (k === r) {
        diagonal[r] = x;
        upper[r] = column.length;
      } else if (x !== 0) {
        column.push(k);
        value.push(x);
      }
    }
  }
  lower[n] = column.length;
  return {
    lower,
    upper,
    diagonal,
    column: Int32Array.from(column),
    value: Float64Array.from(value),
  };
}

/** Solves with them; x is left in b. */
export function sparseSolve(
  { lower, upper, column, value, diagonal }: SparseLu,
  order: Int32Array,
  b: Float64Array,
  n: number,
): void {
  for (let c = 0; c < n; c += 1) {
    const p = order[c] as number;
    if (p !== c) {
      const t = b[c] as number;
      b[c] = b[p] as number;
      b[p] = t;
    }
  }
  for (let r = 0; r < n; r += 1) {
    let sum = b[r] as number;
    for (let i = lower[r] as number; i < (upper[r] as number); i += 1)
      sum -= (value[i] as number) * (b[column[i] as number] as number);
    b[r] = sum;
  }
  for (let r = n - 1; r >= 0; r -= 1) {
    let sum = b[r] as number;
    for (let i = upper[r] as number; i < (lower[r + 1] as number); i += 1)
      sum -= (value[i] as number) * (b[column[i] as number] as number);
    b[r] = sum / (diagonal[r] as number);
  }
}
