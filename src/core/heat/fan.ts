import type { FanPoint } from '../part';
import { pchip, pchipAt, type Pchip } from '../quantity';

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

const FLOW_TOLERANCE_M3H = 1e-4;
const PRESSURE_TOLERANCE_PA = 1e-4;

/**
 * Flow at which the fan's pressure (times fans in a row: push and pull add pressure) meets a drag that rises with flow, m³/h.
 * False position (Illinois: halving an end that stays twice) between 0 and the fan's free flow, to 1e-4 Pa or 1e-4 m³/h.
 */
export function fanAgainst(fan: FanCurve, speed_rpm: number, inRow: number, drag_Pa: (flow_m3h: number) => number): number {
  const s = speed_rpm / fan.fullSpeed_rpm;
  if (s <= 0) return 0;
  const surplus = (flow_m3h: number): number => inRow * fanPressure(fan, flow_m3h, speed_rpm) - drag_Pa(flow_m3h);
  let low = 0, high = s * (fan.curve.x[fan.curve.x.length - 1] as number) * 1.2;
  let atLow = surplus(low), atHigh = surplus(high);
  if (atLow <= 0) return 0;
  if (atHigh >= 0) return high;
  let kept: 'low' | 'high' | null = null;
  for (let i = 0; i < 60 && high - low > FLOW_TOLERANCE_M3H; i += 1) {
    const guess = (low * atHigh - high * atLow) / (atHigh - atLow);
    const value = surplus(guess);
    if (Math.abs(value) < PRESSURE_TOLERANCE_PA) return guess;
    if (value > 0) { low = guess; atLow = value; if (kept === 'high') atHigh /= 2; kept = 'high'; }
    else { high = guess; atHigh = value; if (kept === 'low') atLow /= 2; kept = 'low'; }
  }
  return (low + high) / 2;
}
