import { describe, expect, test } from '@jest/globals';
import { DAY_MIN, isoDay, isoMinutes } from './time';

/** The platform's own calendar (ECMA-262, proleptic Gregorian), as the foreign one. */
const utc = (day: number): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: 'UTC' }).format(day * 86_400_000);

describe('moments', () => {
  test('days of four centuries come back, and are where the platform has them', () => {
    for (let day = -100_000; day < 60_000; day += 37) {
      const text = utc(day);
      expect(isoDay(day * DAY_MIN)).toBe(text);
      expect(isoMinutes(text)).toBe(day * DAY_MIN);
    }
  });
  test('times and offsets', () => {
    for (const [text, moment] of [
      ['2026-11-29T03:28:55Z', 1795922935000],
      ['2024-02-29T23:59:00+05:30', 1709231340000],
      ['1999-12-31T00:00:00.000Z', 946598400000],
      ['2027-06-01T12:00:00-03:00', 1811862000000],
    ] as const)
      expect(isoMinutes(text) * 60_000).toBeCloseTo(moment, 3);
    expect(isoMinutes('yesterday')).toBeNaN();
  });
});
