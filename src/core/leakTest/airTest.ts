import { formatCelsius, formatMeasure, formatShown } from '../units';
import { msg } from '../messages';
/** A look at the gauge: over the room's pressure, with the room's temperature. */
export interface GaugeReading {
  /** Since the test began, min. */
  readonly at_min: number;
  /** Over the room's pressure, mbar. */
  readonly gauge_mbar: number;
  /** Of the air in the loop: the room's, once it has settled, °C. */
  readonly temp_C: number;
}

/** What is tested, and by what. */
export interface TestedLoop {
  /** Air in it, mL. */
  readonly volume_mL: number;
  /** What it grows by under pressure: soft tube swells, mL per bar. */
  readonly compliance_mLbar: number;
  /** Of the room, mbar. */
  readonly room_mbar: number;
  /** Smallest step that can be read off the gauge, mbar. */
  readonly resolution_mbar: number;
  /** How well the temperature of the air is known, K. */
  readonly temperature_K: number;
}

/**
 * Corrected fall that counts as tight: 1 % of the test pressure in 15 min (common
 * practice, no source).
 */
export const TIGHT_SHARE = 0.01,
  TIGHT_MIN = 15;

/** Two sides of a band that holds 95 in 100 (normal). */
const SURE = 1.96;
const KELVIN = 273.15;
/** Of a gauge read to its steps: a step's width over √12 (rectangular distribution, GUM). */
const STEP = Math.sqrt(12);

export type LeakVerdict = 'tight' | 'leaks' | 'not yet known';

/** What readings say so far. */
export interface LeakReport {
  readonly verdict: LeakVerdict;
  /** Change of pressure at the first temperature, mbar/min; below 0 it falls. */
  readonly slope_mbarMin: number;
  /** Standard deviation of it. */
  readonly slopeSpread_mbarMin: number;
  /** Leak at the test pressure, mL/min of air, and the half of its 95 % band. */
  readonly leak_mLmin: number;
  readonly leakBand_mLmin: number;
  /** What counts as tight, mL/min. */
  readonly limit_mLmin: number;
  /** Corrected fall from the first reading to the last, mbar. */
  readonly fall_mbar: number;
  /** How much longer to look, min, at this rate of readings; 0 once it is known, null when days would not tell. */
  readonly longer_min: number | null;
  /** Pressures at the temperature of the first reading, absolute, mbar. */
  readonly corrected: readonly { readonly at_min: number; readonly pressure_mbar: number }[];
}

/** Why a reading cannot be taken in; null when it can. */
export function readingTrouble(reading: GaugeReading, limit_mbar: number): string | null {
  const { at_min, gauge_mbar, temp_C } = reading;
  if (!(at_min >= 0 && at_min <= 14 * 24 * 60))
    return msg`Time must be 0 to 14 days after the start.`;
  if (!(gauge_mbar >= -1000 && gauge_mbar <= 5000))
    return msg`The gauge must read ${formatShown(-1000, 'mbar')} to
      ${formatMeasure(5000, 'mbar')}.`;
  if (!(temp_C >= -20 && temp_C <= 60))
    return msg`The room must be ${formatShown(-20, '°C')} to ${formatCelsius(60)}.`;
  if (gauge_mbar > limit_mbar + 0.5)
    return msg`${formatMeasure(gauge_mbar, 'mbar')} is over the lowest rating in the loop,
      ${formatMeasure(limit_mbar, 'mbar')}: let air out first.`;
  return null;
}

/**
 * Pressure-change test: p V = n R T. Every reading is brought to the temperature of the first, a
 * straight line is laid through them, and its fall told as a leak with the volume and what the loop
 * swells by: q = (V + p C) (−dp/dt) / p at the test pressure p (pressure decay, ISO 20485 and EN
 * 1779, from memory). Null below two readings.
 */
export function judgeAirTest(
  readings: readonly GaugeReading[],
  loop: TestedLoop,
): LeakReport | null {
  const [first] = readings;
  if (!first || readings.length < 2) return null;
  const corrected = readings.map(({ at_min, gauge_mbar, temp_C }) => ({
    at_min,
    pressure_mbar: ((loop.room_mbar + gauge_mbar) * (first.temp_C + KELVIN)) / (temp_C + KELVIN),
  }));
  const start_mbar = (corrected[0] as (typeof corrected)[number]).pressure_mbar;
  const last_mbar = (corrected[corrected.length - 1] as (typeof corrected)[number]).pressure_mbar;
  const line = straightLine(corrected.map((c) => [c.at_min, c.pressure_mbar] as const));
  if (line === null) return null;
  const noise_mbar = Math.max(
    line.scatter,
    Math.hypot(
      loop.resolution_mbar / STEP,
      (start_mbar * loop.temperature_K) / (first.temp_C + KELVIN),
    ),
  );
  const spread = noise_mbar / Math.sqrt(line.squares);
  const perSlope = leakPerSlope(loop, start_mbar, first.gauge_mbar);
  const limit_mLmin = ((TIGHT_SHARE * Math.max(0, first.gauge_mbar)) / TIGHT_MIN) * perSlope;
  const leak_mLmin = -line.slope * perSlope,
    band_mLmin = SURE * spread * perSlope;
  const verdict = verdictOf(leak_mLmin, band_mLmin, limit_mLmin);
  return {
    verdict,
    slope_mbarMin: line.slope,
    slopeSpread_mbarMin: spread,
    leak_mLmin,
    leakBand_mLmin: band_mLmin,
    limit_mLmin,
    fall_mbar: start_mbar - last_mbar,
    longer_min:
      verdict === 'not yet known'
        ? longerBy(readings, noise_mbar * SURE * perSlope, Math.abs(limit_mLmin - leak_mLmin))
        : 0,
    corrected,
  };
}

function verdictOf(leak: number, band: number, limit: number): LeakVerdict {
  if (leak + band <= limit) return 'tight';
  return leak - band > limit ? 'leaks' : 'not yet known';
}

/** mL/min at the test pressure for each mbar/min. */
function leakPerSlope(
  { volume_mL, compliance_mLbar, room_mbar }: TestedLoop,
  pressure_mbar: number,
  gauge_mbar: number,
): number {
  const test_mbar = room_mbar + gauge_mbar;
  return (volume_mL + (pressure_mbar / 1000) * compliance_mLbar) / test_mbar;
}

/** Least squares; null where all stand at one time. */
function straightLine(points: readonly (readonly [x: number, y: number])[]): {
  readonly slope: number;
  /** Standard deviation of the points about it; 0 of two. */
  readonly scatter: number;
  /** Sum of squares of the times about their mean. */
  readonly squares: number;
} | null {
  const n = points.length;
  const x = points.reduce((s, p) => s + p[0], 0) / n,
    y = points.reduce((s, p) => s + p[1], 0) / n;
  const squares = points.reduce((s, p) => s + (p[0] - x) ** 2, 0);
  if (!(squares > 0)) return null;
  const slope = points.reduce((s, p) => s + (p[0] - x) * (p[1] - y), 0) / squares;
  const left = points.reduce((s, p) => s + (p[1] - y - slope * (p[0] - x)) ** 2, 0);
  return { slope, squares, scatter: n > 2 ? Math.sqrt(left / (n - 2)) : 0 };
}

const LONGEST_MIN = 7 * 24 * 60;

/**
 * Minutes more until the band is as narrow as the distance to the limit, read at the present rate:
 * n readings over a time D have a sum of squares of about n D²/12.
 */
function longerBy(readings: readonly GaugeReading[], noise: number, apart: number): number | null {
  const times = readings.map((r) => r.at_min);
  const now = Math.max(...times) - Math.min(...times);
  const every = now / (readings.length - 1);
  if (!(apart > 0) || !(every > 0)) return null;
  const bandAfter = (D: number): number => noise / Math.sqrt(((D / every + 1) * D * D) / 12);
  if (bandAfter(LONGEST_MIN) > apart) return null;
  let low = now,
    high = LONGEST_MIN;
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (bandAfter(middle) > apart) low = middle;
    else high = middle;
  }
  return Math.max(every, high - now);
}
