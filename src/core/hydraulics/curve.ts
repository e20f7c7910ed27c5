import type { LossPoint } from '../components';
import { msg } from '../messages';

/** Parts with a measured pressure drop: dp = a Q + b Q², kPa and L/min. */
export interface LossCurve {
  readonly a: number;
  readonly b: number;
}

export interface LossFit extends LossCurve {
  /** Root mean square of the residuals, kPa. */
  readonly residual_kPa: number;
}

/**
 * Non-negative least squares through the origin. Two unknowns, so the four sign cases are solved
 * outright. Throws RangeError without a point of positive flow.
 */
export function fitLossCurve(points: readonly LossPoint[]): LossFit {
  const used = points.filter(([q]) => q > 0);
  if (used.length === 0)
    throw new RangeError(msg`a pressure-drop curve needs at least one point with flow above 0`);
  let s2 = 0,
    s3 = 0,
    s4 = 0,
    t1 = 0,
    t2 = 0;
  for (const [q, p] of used) {
    s2 += q * q;
    s3 += q ** 3;
    s4 += q ** 4;
    t1 += q * p;
    t2 += q * q * p;
  }
  const det = s2 * s4 - s3 * s3;
  const both: LossCurve =
    det > 1e-12 * s2 * s4
      ? { a: (t1 * s4 - t2 * s3) / det, b: (s2 * t2 - s3 * t1) / det }
      : { a: -1, b: -1 };
  const candidates: LossCurve[] = [
    { a: 0, b: Math.max(0, t2 / s4) },
    { a: Math.max(0, t1 / s2), b: 0 },
  ];
  if (both.a >= 0 && both.b >= 0) candidates.push(both);
  const error = (c: LossCurve): number =>
    used.reduce((sum, [q, p]) => sum + (c.a * q + c.b * q * q - p) ** 2, 0);
  const best = candidates.reduce((x, y) => (error(y) < error(x) ? y : x));
  return { ...best, residual_kPa: Math.sqrt(error(best) / used.length) };
}

/** What the curve was measured with, against what flows now. */
export interface CurveScale {
  readonly viscosityRatio: number;
  readonly densityRatio: number;
}

/** The curve with another fluid: the laminar share goes with viscosity, the rest with density. */
export const scaleCurve = (
  curve: LossCurve,
  { viscosityRatio, densityRatio }: CurveScale,
): LossCurve => ({ a: curve.a * viscosityRatio, b: curve.b * densityRatio });

/**
 * The curve with a share of its channels plugged, 0 to under 1: the flow goes through the rest,
 * each of which sees more of it, so dp(Q) becomes dp(Q / (1 − share)). Throws RangeError outside
 * that range.
 */
export function clogCurve(curve: LossCurve, share: number): LossCurve {
  if (!(share >= 0 && share < 1))
    throw new RangeError(msg`a clogged share must be 0 to under 1, got ${share}`);
  const open = 1 - share;
  return { a: curve.a / open, b: curve.b / (open * open) };
}

/** Drop in kPa at a flow in L/min, odd in Q (a reversed flow drops the other way). */
export const lossDrop = (curve: LossCurve, flow_Lmin: number): number =>
  (curve.a + curve.b * Math.abs(flow_Lmin)) * flow_Lmin;
