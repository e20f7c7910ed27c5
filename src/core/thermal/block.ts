/**
 * A block's resistance over flow: R = R_ref (Q_ref/Q)^n, fitted to measured points in logarithms.
 */
export interface BlockLaw {
  readonly atReference_KW: number;
  readonly reference_Lmin: number;
  readonly exponent: number;
}

/**
 * Exponents a block can have: 0.2–0.4 by common practice (no source); a single point takes the
 * middle.
 */
const EXPONENT = { min: 0, max: 0.8, usual: 0.3 } as const;

/**
 * Least squares in logarithms. Throws RangeError without a point of positive flow and resistance.
 */
export function blockLaw(points: readonly (readonly [flow_Lmin: number, k_W: number])[]): BlockLaw {
  const used = points.filter(([q, r]) => q > 0 && r > 0);
  if (used.length === 0)
    throw new RangeError('a block needs at least one point of flow and resistance above 0');
  const xs = used.map(([q]) => Math.log(q)),
    ys = used.map(([, r]) => Math.log(r));
  const mx = xs.reduce((a, b) => a + b, 0) / xs.length,
    my = ys.reduce((a, b) => a + b, 0) / ys.length;
  const sxx = xs.reduce((s, x) => s + (x - mx) ** 2, 0);
  const sxy = xs.reduce((s, x, i) => s + (x - mx) * ((ys[i] as number) - my), 0);
  const exponent =
    sxx > 1e-9 ? Math.min(EXPONENT.max, Math.max(EXPONENT.min, -sxy / sxx)) : EXPONENT.usual;
  return { atReference_KW: Math.exp(my), reference_Lmin: Math.exp(mx), exponent };
}

/**
 * Lowest flow the law is followed to, L/min; below it the value there is kept and the part is far
 * beyond its limit anyway.
 */
const LEAST_FLOW_LMIN = 0.2;

/** K/W at a flow in L/min. */
export function blockResistance(law: BlockLaw, flow_Lmin: number): number {
  return (
    law.atReference_KW *
    (law.reference_Lmin / Math.max(LEAST_FLOW_LMIN, Math.abs(flow_Lmin))) ** law.exponent
  );
}
