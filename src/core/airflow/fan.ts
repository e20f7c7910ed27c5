import type { FanPoint } from '../components';
import { pchip, pchipInto, type Pchip } from '../units';
import { msg } from '../messages';

export interface FanCurve {
  readonly curve: Pchip;
  readonly fullSpeed_rpm: number;
  /** What it takes when it is driven past its free flow, Pa per (m³/h)². */
  readonly pastFree: number;
}

/** Throws RangeError when the flows do not rise or the last pressure is not below the first. */
export function fanCurve(points: readonly FanPoint[], fullSpeed_rpm: number): FanCurve {
  const curve = pchip(points);
  if ((points[points.length - 1] as FanPoint)[1] >= (points[0] as FanPoint)[1])
    throw new RangeError(msg`a fan's pressure must fall as its flow rises`);
  return { curve, fullSpeed_rpm, pastFree: pastFreeOf(curve) };
}

/**
 * Pressure at a flow and speed by the fan laws (ASHRAE Handbook): p = s² h(V/s). Driven past its
 * free flow, by another fan behind it, a fan holds the air back with the square of the flow, its
 * slope going on from its curve's end; one that stands takes what that leaves as s goes to 0, − c V²
 * (an estimate: no source). Blown through backwards it holds its shut-off pressure and c V² more
 * (an estimate: no source).
 */
export function fanPressure(fan: FanCurve, flow_m3h: number, speed_rpm: number): number {
  fanPressureInto(fan, flow_m3h, speed_rpm, PAIR);
  return PAIR[0] as number;
}
const PAIR = new Float64Array(2);

/** The same into `out` (pressure, slope), for where it is asked thousands of times. */
export function fanPressureInto(
  fan: FanCurve,
  flow_m3h: number,
  speed_rpm: number,
  out: Float64Array,
): void {
  const { curve, pastFree } = fan,
    s = Math.max(0, speed_rpm / fan.fullSpeed_rpm);
  const last = curve.x.length - 1,
    free = s * (curve.x[last] as number);
  if (flow_m3h <= 0) {
    out[0] = s * s * (curve.y[0] as number) + pastFree * flow_m3h ** 2;
    out[1] = 2 * pastFree * flow_m3h;
  } else if (flow_m3h <= free) {
    pchipInto(curve, flow_m3h / s, out);
    out[0] = s * s * (out[0] as number);
    out[1] = s * (out[1] as number);
  } else {
    out[0] = s * s * (curve.y[last] as number) - pastFree * (flow_m3h ** 2 - free ** 2);
    out[1] = -2 * pastFree * flow_m3h;
  }
}

/** What a fan takes when it is driven past its free flow, Pa per (m³/h)². */
function pastFreeOf({ x, y, slope }: Pchip): number {
  const last = x.length - 1,
    free = x[last] as number;
  // A curve that ends flat would hold nothing back: at least its whole fall over its free flow.
  const least = ((y[0] as number) - (y[last] as number)) / (4 * free ** 2);
  return Math.max(least, -(slope[last] as number) / (2 * free));
}

/** A fan at its speed. */
export interface TurningFan {
  readonly curve: FanCurve;
  readonly speed_rpm: number;
}

/** The flow a fan gives against nothing, m³/h. */
export const freeFlow = ({ curve: { curve, fullSpeed_rpm }, speed_rpm }: TurningFan): number =>
  (Math.max(0, speed_rpm) / fullSpeed_rpm) * (curve.x[curve.x.length - 1] as number);
