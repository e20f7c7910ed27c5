import { water, type FluidProperties } from '../fluids';
import { msg } from '../messages';

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
    throw new RangeError(msg`a block needs at least one point of flow and resistance above 0`);
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

/** What blocks are measured in where their maker says nothing (common practice, no source). */
const MEASURED_IN = water(25);
/** Developing laminar flow between fins: Nu ∝ (Re Pr D/L)^(1/3) (Shah & London 1978). */
const DEVELOPING = 1 / 3;

/**
 * K/W in another coolant than water, in which it was measured. The share of the resistance that
 * changes with flow is the coolant's side, n/(1/3) of it at most all; the rest is metal. That side
 * goes as 1/h, h = Nu k/D with Nu by Re Pr: the same flow of another coolant passes like one of
 * water that has the same ρ c/k, and its h has the other's conductivity. An estimate.
 */
export function blockResistanceIn(
  law: BlockLaw,
  flow_Lmin: number,
  coolant: FluidProperties,
  measuredIn: FluidProperties = MEASURED_IN,
): number {
  const coolantShare = Math.min(1, law.exponent / DEVELOPING);
  const graetz = (f: FluidProperties): number =>
    (f.density_kgm3 * f.heatCapacity_JkgK) / f.conductivity_WmK;
  const coolantSide =
    (measuredIn.conductivity_WmK / coolant.conductivity_WmK) *
    (graetz(measuredIn) / graetz(coolant)) ** DEVELOPING;
  return blockResistance(law, flow_Lmin) * (1 - coolantShare + coolantShare * coolantSide);
}
