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

/**
 * Pressure at a flow and speed by the fan laws (ASHRAE Handbook): p = s² h(V/s). Driven past its
 * free flow, by another fan behind it, a fan holds the air back with the square of the flow, its
 * slope going on from its curve's end; one that stands takes what that leaves as s goes to 0, − c V²
 * (an estimate: no source).
 */
export function fanPressure(fan: FanCurve, flow_m3h: number, speed_rpm: number): number {
  const { curve } = fan,
    s = Math.max(0, speed_rpm / fan.fullSpeed_rpm);
  const last = curve.x.length - 1,
    free = curve.x[last] as number;
  if (flow_m3h <= s * free) return s > 0 ? s * s * pchipAt(curve, flow_m3h / s).value : 0;
  const c = pastFree(fan);
  return s * s * (curve.y[last] as number) - c * (flow_m3h ** 2 - (s * free) ** 2);
}

/** What a fan takes when it is driven past its free flow, Pa per (m³/h)². */
function pastFree({ curve: { x, y, slope } }: FanCurve): number {
  const last = x.length - 1,
    free = x[last] as number;
  // A curve that ends flat would hold nothing back: at least its whole fall over its free flow.
  const least = ((y[0] as number) - (y[last] as number)) / (4 * free ** 2);
  return Math.max(least, -(slope[last] as number) / (2 * free));
}

/** m³/h and Pa. */
const TOLERANCE = { x: 1e-4, y: 1e-4 } as const;

/** A fan at its speed. */
export interface TurningFan {
  readonly curve: FanCurve;
  readonly speed_rpm: number;
}

/** The flow a fan gives against nothing, m³/h. */
export const freeFlow = ({ curve: { curve, fullSpeed_rpm }, speed_rpm }: TurningFan): number =>
  (Math.max(0, speed_rpm) / fullSpeed_rpm) * (curve.x[curve.x.length - 1] as number);

/**
 * Flow at which the pressures of fans in a row, each by its own curve, meet a drag that rises with
 * flow, m³/h. To 1e-4 Pa or 1e-4 m³/h. Continuous in every speed: a fan that stands holds back.
 */
export function fansAgainst(
  fans: readonly TurningFan[],
  drag_Pa: (flow_m3h: number) => number,
): number {
  const surplus = (flow_m3h: number): number => {
    let sum = -drag_Pa(flow_m3h);
    for (const { curve, speed_rpm } of fans) sum += fanPressure(curve, flow_m3h, speed_rpm);
    return sum;
  };
  const atRest = surplus(0);
  if (atRest <= 0) return 0;
  const most = Math.max(...fans.map(freeFlow));
  const atMost = surplus(most);
  return atMost >= 0 ? most : falsePosition(surplus, 0, most, TOLERANCE, atRest, atMost);
}

/** The same for like fans in a row at one speed. */
export const fanAgainst = (
  curve: FanCurve,
  speed_rpm: number,
  inRow: number,
  drag_Pa: (flow_m3h: number) => number,
): number =>
  fansAgainst(
    Array.from({ length: inRow }, () => ({ curve, speed_rpm })),
    drag_Pa,
  );
