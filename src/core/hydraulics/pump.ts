import type { HeadPoint } from '../components';
import { GRAVITY_MS2, pchip, pchipInto, type Pchip } from '../units';
import { msg } from '../messages';

export interface PumpCurve {
  readonly curve: Pchip;
  readonly fullSpeed_rpm: number;
}

/**
 * Throws RangeError when the points do not rise in flow or do not fall in head (a rising stretch
 * lets the flow hunt).
 */
export function pumpCurve(points: readonly HeadPoint[], fullSpeed_rpm: number): PumpCurve {
  for (let i = 1; i < points.length; i += 1) {
    if ((points[i] as HeadPoint)[1] >= (points[i - 1] as HeadPoint)[1]) {
      throw new RangeError(msg`a pump's head must fall as flow rises; point ${i + 1} does not`);
    }
  }
  return { curve: pchip(points), fullSpeed_rpm };
}

/** Least slope kept where a curve is flat, m per L/min: keeps the network's equations solvable. */
const FLAT_SLOPE = -1e-4;

/**
 * Head and its slope at flow Q and speed ratio s, by the affinity laws: H = s² h(Q/s). A standing
 * pump gives no head and takes what the laws leave of a falling curve as s goes to 0, − b Q², with
 * b the whole fall over the square of its largest flow (an estimate). Backward flow meets the
 * shut-off head and more (its curve's straight continuation).
 */
export function pumpHead(
  pump: PumpCurve,
  flow_Lmin: number,
  s: number,
): { readonly head_m: number; readonly slope: number } {
  const out = new Float64Array(2);
  pumpHeadInto(pump, flow_Lmin, s, out);
  return { head_m: out[0] as number, slope: out[1] as number };
}

/** The same into `out` (head, slope), for where it is asked thousands of times. */
export function pumpHeadInto(
  pump: PumpCurve,
  flow_Lmin: number,
  s: number,
  out: Float64Array,
): void {
  if (s <= 0) {
    const b = standingDrag(pump),
      size = Math.abs(flow_Lmin);
    out[0] = -b * flow_Lmin * size;
    out[1] = Math.min(FLAT_SLOPE, -2 * b * size);
    return;
  }
  pchipInto(pump.curve, flow_Lmin / s, out);
  out[0] = s * s * (out[0] as number);
  out[1] = Math.min(FLAT_SLOPE, s * (out[1] as number));
}

/** What a standing pump takes, m per (L/min)². */
export function standingDrag({ curve: { x, y } }: PumpCurve): number {
  const last = x.length - 1;
  return ((y[0] as number) - (y[last] as number)) / (x[last] as number) ** 2;
}

/** Pressure of a head of this fluid, kPa. */
export const headToPressure = (head_m: number, density_kgm3: number): number =>
  (density_kgm3 * GRAVITY_MS2 * head_m) / 1000;
export const pressureToHead = (pressure_kPa: number, density_kgm3: number): number =>
  (pressure_kPa * 1000) / (density_kgm3 * GRAVITY_MS2);
