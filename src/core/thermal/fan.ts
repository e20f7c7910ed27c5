import type { FanPoint } from '../components';
import { falsePosition, pchip, pchipAt, type Pchip } from '../units';

export interface FanCurve {
  readonly curve: Pchip;
  readonly fullSpeed_rpm: number;
}

/** Throws RangeError when the flows do not rise or the last pressure is not below the first. */
export function fanCurve(points: readonly FanPoint[], fullSpeed_rpm: number): FanCurve {
  const curve = pchip(points);
  if ((points[points.length - 1] as FanPoint)[1] >= (points[0] as FanPoint)[1])
    throw new RangeError("a fan's pressure must fall as its flow rises");
  return { curve, fullSpeed_rpm };
}

/** Pressure at a flow and speed by the fan laws (ASHRAE Handbook): p = s² h(V/s). */
export function fanPressure(fan: FanCurve, flow_m3h: number, speed_rpm: number): number {
  const s = speed_rpm / fan.fullSpeed_rpm;
  if (s <= 0) return 0;
  return s * s * pchipAt(fan.curve, flow_m3h / s).value;
}

/** m³/h and Pa. */
const TOLERANCE = { x: 1e-4, y: 1e-4 } as const;

/**
 * Flow at which the fan's pressure (times fans in a row: push and pull add pressure) meets a drag
 * that rises with flow, m³/h. To 1e-4 Pa or 1e-4 m³/h, between 0 and the fan's free flow.
 */
export function fanAgainst(
  fan: FanCurve,
  speed_rpm: number,
  inRow: number,
  drag_Pa: (flow_m3h: number) => number,
): number {
  const s = speed_rpm / fan.fullSpeed_rpm;
  if (s <= 0) return 0;
  const surplus = (flow_m3h: number): number =>
    inRow * fanPressure(fan, flow_m3h, speed_rpm) - drag_Pa(flow_m3h);
  const free = s * (fan.curve.x[fan.curve.x.length - 1] as number) * 1.2;
  const atRest = surplus(0),
    atFree = surplus(free);
  if (atRest <= 0) return 0;
  return atFree >= 0 ? free : falsePosition(surplus, 0, free, TOLERANCE, atRest, atFree);
}
