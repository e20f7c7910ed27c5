/**
 * Solves A x = b for a symmetric positive definite A (row-major, n × n, lower half read) in place.
 * Returns false when A is not positive definite, leaving b unusable.
 */
export function choleskySolve(a: Float64Array, b: Float64Array, n: number): boolean {
  for (let j = 0; j < n; j += 1) {
    let diagonal = a[j * n + j] as number;
    for (let k = 0; k < j; k += 1) diagonal -= (a[j * n + k] as number) ** 2;
    if (!(diagonal > 0)) return false;
    const root = Math.sqrt(diagonal);
    a[j * n + j] = root;
    for (let i = j + 1; i < n; i += 1) {
      let sum = a[i * n + j] as number;
      for (let k = 0; k < j; k += 1) sum -= (a[i * n + k] as number) * (a[j * n + k] as number);
      a[i * n + j] = sum / root;
    }
  }
  for (let i = 0; i < n; i += 1) {
    let sum = b[i] as number;
    for (let k = 0; k < i; k += 1) sum -= (a[i * n + k] as number) * (b[k] as number);
    b[i] = sum / (a[i * n + i] as number);
  }
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = b[i] as number;
    for (let k = i + 1; k < n; k += 1) sum -= (a[k * n + i] as number) * (b[k] as number);
    b[i] = sum / (a[i * n + i] as number);
  }
  return true;
}
