import { msg } from '../messages';

/** A monotone cubic through points: shape kept, no overshoot. */
export interface Pchip {
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly slope: readonly number[];
}

/**
 * Piecewise cubic Hermite interpolation. Fritsch & Carlson (1980), SIAM J. Numer. Anal. 17, 238,
 * with the three-point end slopes of Fritsch & Butland. Throws RangeError unless x rises strictly
 * and has two points or more.
 */
export function pchip(points: readonly (readonly [number, number])[]): Pchip {
  const x = points.map((p) => p[0]);
  const y = points.map((p) => p[1]);
  const n = x.length;
  if (n < 2) throw new RangeError(msg`a curve needs two points or more`);
  const at = (list: readonly number[], i: number): number => list[i] as number;
  const h: number[] = [],
    d: number[] = [];
  for (let i = 0; i < n - 1; i += 1) {
    const step = at(x, i + 1) - at(x, i);
    if (!(step > 0))
      throw new RangeError(msg`the points of a curve must rise in x; point ${i + 2} does not`);
    h.push(step);
    d.push((at(y, i + 1) - at(y, i)) / step);
  }
  if (n === 2) return { x, y, slope: [at(d, 0), at(d, 0)] };
  const end = (h0: number, h1: number, d0: number, d1: number): number => {
    const s = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1);
    if (s * d0 <= 0) return 0;
    return d0 * d1 < 0 && Math.abs(s) > 3 * Math.abs(d0) ? 3 * d0 : s;
  };
  const slope = [end(at(h, 0), at(h, 1), at(d, 0), at(d, 1))];
  for (let i = 1; i < n - 1; i += 1) {
    const d0 = at(d, i - 1),
      d1 = at(d, i);
    const w1 = 2 * at(h, i) + at(h, i - 1),
      w2 = at(h, i) + 2 * at(h, i - 1);
    slope.push(d0 * d1 <= 0 ? 0 : (w1 + w2) / (w1 / d0 + w2 / d1));
  }
  slope.push(end(at(h, n - 2), at(h, n - 3), at(d, n - 2), at(d, n - 3)));
  return { x, y, slope };
}

/** Value and slope at v; beyond the ends the curve goes on straight with its end slope. */
export function pchipAt(
  curve: Pchip,
  v: number,
): { readonly value: number; readonly slope: number } {
  const out = new Float64Array(2);
  pchipInto(curve, v, out);
  return { value: out[0] as number, slope: out[1] as number };
}

/** The same into `out` (value, slope), for where it is asked thousands of times. */
export function pchipInto(curve: Pchip, v: number, out: Float64Array): void {
  const { x, y, slope } = curve;
  const last = x.length - 1;
  let i = 0;
  if (v <= (x[0] as number) || v >= (x[last] as number)) {
    const end = v <= (x[0] as number) ? 0 : last;
    out[0] = (y[end] as number) + (slope[end] as number) * (v - (x[end] as number));
    out[1] = slope[end] as number;
    return;
  }
  while ((x[i + 1] as number) < v) i += 1;
  const h = (x[i + 1] as number) - (x[i] as number);
  const t = (v - (x[i] as number)) / h;
  const y0 = y[i] as number,
    y1 = y[i + 1] as number,
    m0 = (slope[i] as number) * h,
    m1 = (slope[i + 1] as number) * h;
  const c2 = 3 * (y1 - y0) - 2 * m0 - m1;
  const c3 = 2 * (y0 - y1) + m0 + m1;
  out[0] = y0 + t * (m0 + t * (c2 + t * c3));
  out[1] = (m0 + t * (2 * c2 + 3 * t * c3)) / h;
}
