import { water } from '../fluids';
import type { HeadPoint, PumpPart } from '../components';
import { msg } from '../messages';
import { headToPressure } from './pump';

/** Something in what a maker prints that cannot be as it says. */
export interface RatingTrouble {
  readonly of: 'pressure' | 'head' | 'flow';
  readonly printed: number;
  readonly gives: number;
  readonly unit: string;
  readonly words: string;
}

/**
 * Printed values within this of the measured curve count as the same (common practice: pumps
 * scatter by a tenth).
 */
const SCATTER = 0.15;

/**
 * Compares a pump's printed head, pressure and flow with each other and with its measured curve.
 */
export function ratingTroubles(part: PumpPart): readonly RatingTrouble[] {
  const { head_m, pressure_kPa, flow_Lmin } = part.ratings ?? {};
  const shutOff = part.points[0]?.[1] ?? 0,
    most = part.points[part.points.length - 1]?.[0] ?? 0;
  const troubles: RatingTrouble[] = [];
  const off = (printed: number, gives: number): boolean =>
    gives > 0 && Math.abs(printed / gives - 1) > SCATTER;
  if (head_m !== undefined && off(head_m, shutOff))
    troubles.push({
      of: 'head',
      printed: head_m,
      gives: shutOff,
      unit: 'm',
      words:
        head_m > shutOff
          ? msg`Its measured curve starts lower than the printed head; the curve is used.`
          : msg`Its measured curve starts above the printed head: measured at another speed or
            voltage? The curve is used.`,
    });
  if (pressure_kPa !== undefined) {
    const gives = headToPressure(head_m ?? shutOff, water(20).density_kgm3);
    if (off(pressure_kPa, gives)) {
      troubles.push({
        of: 'pressure',
        printed: pressure_kPa,
        gives,
        unit: 'kPa',
        words:
          pressure_kPa > gives
            ? msg`That is its burst pressure, or a mistake: a pump delivers no more pressure
              than its head.`
            : msg`It is less than its own head weighs: one of the two is for another speed.`,
      });
    }
  }
  if (flow_Lmin !== undefined && flow_Lmin < most * (1 - SCATTER))
    troubles.push({
      of: 'flow',
      printed: flow_Lmin,
      gives: most,
      unit: 'L/min',
      words: msg`Its measured curve goes further than the printed largest flow.`,
    });
  return troubles;
}

/** Why points are no pump curve, and what of them would be one. */
export interface HeadTrouble {
  readonly point: number;
  readonly words: string;
  readonly falling: readonly HeadPoint[];
}

/**
 * A pump's head must fall as flow rises. Measured curves often rise a little near shut-off: there
 * one head has two flows, the loop may settle on either and hunt between them, so the rise is left
 * out: the curve starts level at its highest head. Null when all fall.
 */
export function headTrouble(points: readonly HeadPoint[]): HeadTrouble | null {
  const at = points.findIndex((p, i) => i > 0 && p[1] >= (points[i - 1] as HeadPoint)[1]);
  if (at < 0) return null;
  const top = points.reduce((best, p, i) => (p[1] > (points[best] as HeadPoint)[1] ? i : best), 0);
  const peak = points[top] as HeadPoint;
  const falling: HeadPoint[] = peak[0] > 0 ? [[0, peak[1] * LEVEL]] : [];
  for (const p of points.slice(top))
    if (falling.length === 0 || p[1] < (falling[falling.length - 1] as HeadPoint)[1])
      falling.push(p);
  return {
    point: at + 1,
    falling,
    words: msg`Point ${at + 1} lies no lower than the one before. Where a head curve rises, one
      head belongs to two flows: the pump hunts between them, hisses, and no single operating
      point exists. Only the falling part is used; below ${peak[0]} L/min its head is held at
      the top.`,
  };
}

/** The level start stands a hair over the peak, so that the curve falls all the way. */
const LEVEL = 1.001;
