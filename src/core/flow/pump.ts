import type { HeadPoint } from '../part';
import { GRAVITY_MS2, pchip, pchipAt, type Pchip } from '../quantity';

export interface PumpCurve {
  readonly curve: Pchip;
  readonly fullSpeed_rpm: number;
}

/** Throws RangeError when the points do not rise in flow or do not fall in head (a rising stretch lets the flow hunt). */
export function pumpCurve(points: readonly HeadPoint[], fullSpeed_rpm: number): PumpCurve {
  for (let i = 1; i < points.length; i += 1) {
    if ((points[i] as HeadPoint)[1] >= (points[i - 1] as HeadPoint)[1]) {
      throw new RangeError(`a pump's head must fall as flow rises; point ${i + 1} does not`);
    }
  }
  return { curve: pchip(points), fullSpeed_rpm };
}

/** Least slope kept where a curve is flat, m per L/min: keeps the network's equations solvable. */
const FLAT_SLOPE = -1e-4;

/**
 * Head and its slope at flow Q and speed ratio s, by the affinity laws: H = s² h(Q/s). A stopped pump gives no head
 * and is left with its passage only. Backward flow meets the shut-off head and more (its curve's straight continuation).
 */
export function pumpHead(pump: PumpCurve, flow_Lmin: number, s: number): { readonly head_m: number; readonly slope: number } {
  if (s <= 0) return { head_m: 0, slope: FLAT_SLOPE };
  const { value, slope } = pchipAt(pump.curve, flow_Lmin / s);
  return { head_m: s * s * value, slope: Math.min(FLAT_SLOPE, s * slope) };
}

/** Pressure of a head of this fluid, kPa. */
export const headToPressure = (head_m: number, density_kgm3: number): number => (density_kgm3 * GRAVITY_MS2 * head_m) / 1000;
export const pressureToHead = (pressure_kPa: number, density_kgm3: number): number => (pressure_kPa * 1000) / (density_kgm3 * GRAVITY_MS2);
