import { pchip, pchipAt, type Pchip } from '../quantity';

/** A fan's pressure curve at full speed: m³/h against Pa, falling. */
export type FanPoint = readonly [flow_m3h: number, pressure_Pa: number];

export interface FanCurve {
  readonly curve: Pchip;
  readonly fullSpeed_rpm: number;
}

/** Throws RangeError when the flows do not rise or the last pressure is not below the first. */
export function fanCurve(points: readonly FanPoint[], fullSpeed_rpm: number): FanCurve {
  const curve = pchip(points);
  if ((points[points.length - 1] as FanPoint)[1] >= (points[0] as FanPoint)[1]) throw new RangeError("a fan's pressure must fall as its flow rises");
  return { curve, fullSpeed_rpm };
}

/** Pressure at a flow and speed by the fan laws (ASHRAE Handbook): p = s² h(V/s). */
export function fanPressure(fan: FanCurve, flow_m3h: number, speed_rpm: number): number {
  const s = speed_rpm / fan.fullSpeed_rpm;
  if (s <= 0) return 0;
  return s * s * pchipAt(fan.curve, flow_m3h / s).value;
}

/**
 * Flow at which the fan's pressure (times fans in a row: push and pull add pressure) meets a drag that rises with flow, m³/h.
 * Bisection to 1e-4 m³/h between 0 and the fan's free flow.
 */
export function fanAgainst(fan: FanCurve, speed_rpm: number, inRow: number, drag_Pa: (flow_m3h: number) => number): number {
  const s = speed_rpm / fan.fullSpeed_rpm;
  if (s <= 0) return 0;
  let low = 0;
  let high = s * (fan.curve.x[fan.curve.x.length - 1] as number) * 1.2;
  for (let i = 0; i < 50 && high - low > 1e-4; i += 1) {
    const mid = (low + high) / 2;
    if (inRow * fanPressure(fan, mid, speed_rpm) > drag_Pa(mid)) low = mid; else high = mid;
  }
  return (low + high) / 2;
}
