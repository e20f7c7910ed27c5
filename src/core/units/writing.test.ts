import { afterEach, describe, expect, test } from '@jest/globals';
import { showLanguage } from '../messages';
import {
  formatDate,
  formatMoney,
  formatNumber,
  formatPrice,
  isoMinutes,
  parseQuantity,
  weekdayNames,
} from '.';

/** Only the tag matters here: no text is translated. */
const read = (tag: string): void => showLanguage({ tag, write: () => null });
/** Blanks that do not break, as plain ones. */
const plain = (text: string): string => text.replace(/[\u00a0\u202f]/g, ' ');
afterEach(() => showLanguage(null));

/** How languages write numbers: Unicode CLDR, as in any almanac. */
describe('figures as the language shown writes them (CLDR)', () => {
  test.each([
    ['en', '12,345.7', '−0.5', 'EUR 1,234.50', '1,234.50'],
    ['de', '12.345,7', '−0,5', '1.234,50 EUR', '1.234,50'],
    ['fr', '12 345,7', '−0,5', '1 234,50 EUR', '1 234,50'],
    ['pl', '12 345,7', '−0,5', '1234,50 EUR', '1234,50'],
  ])('%s: %s', (tag, large, small, price, sum) => {
    read(tag);
    expect(plain(formatNumber(12345.67, { decimals: 1 }))).toBe(large);
    expect(plain(formatNumber(-0.5, { decimals: 1 }))).toBe(small);
    expect(plain(formatPrice(123450, 'EUR'))).toBe(price);
    expect(plain(formatMoney(123450))).toBe(sum);
  });

  test('a difference has its sign, a hair below nothing has none, cents can be left out', () => {
    read('de');
    expect(formatNumber(2.5, { decimals: 1, signed: true })).toBe('+2,5');
    expect(formatNumber(-0.004, { decimals: 1, signed: true })).toBe('0,0');
    expect(formatNumber(NaN)).toBe('–');
    expect(plain(formatPrice(-123456, 'USD', true))).toBe('−1.235 USD');
  });
});

describe('a number is read as the language shown writes it', () => {
  test.each([
    ['de', '12,5 mm', 12.5],
    ['de', '1.150 mm', 1150],
    ['de', '1.150,5 mm', 1150.5],
    ['de', '12.5 mm', 12.5],
    ['de', '1 1/2 in', 38.1],
    ['de', '-3,25', -3.25],
    ['fr', '1\u202f150,5 mm', 1150.5],
    ['pl', '1\u00a0150 mm', 1150],
    ['en', '1,150.5 mm', 1150.5],
  ])('%s: "%s"', (tag, text, expected) => {
    read(tag);
    const parsed = parseQuantity(text, 'length');
    expect(parsed.ok && parsed.value).toBeCloseTo(expected, 9);
  });

  test('what is written is read back, in every language and size', () => {
    for (const tag of ['en', 'de', 'fr', 'pl', 'sv'])
      for (const value of [0, 0.5, 12.25, 999.75, 1000, 1150.5, 48_250.25]) {
        read(tag);
        const parsed = parseQuantity(formatNumber(value, { decimals: 2 }), 'length');
        expect([tag, value, parsed.ok && parsed.value]).toEqual([tag, value, value]);
      }
  });
});

/** A moment that every zone of the tests has on the same day: noon UTC. */
const NOON = isoMinutes('2026-11-30T12:00Z') * 60_000;

describe('days and moments as the language shown writes them (CLDR)', () => {
  test('a day', () => {
    expect(formatDate('2026-11-30', 'day')).toBe('30 Nov 2026');
    expect(formatDate(NOON, 'dayOfYear')).toBe('30 November');
    read('de');
    expect(formatDate('2026-11-30', 'day')).toBe('30. Nov. 2026');
    read('fr');
    expect(formatDate(NOON, 'dayOfYear')).toBe('30 novembre');
  });

  test('a moment without a zone is told as it is written, one with a zone in local time', () => {
    expect(formatDate('2026-11-30T07:05', 'time')).toBe('07:05');
    const ms = isoMinutes('2026-11-30T07:05Z') * 60_000;
    expect(formatDate('2026-11-30T07:05Z', 'time')).toBe(formatDate(ms, 'time'));
    expect(formatDate('2026-11-30T23:30', 'moment')).toBe('30 Nov 2026, 23:30');
  });

  test('what is no date comes back as it was', () => {
    expect(formatDate('soon', 'day')).toBe('soon');
    expect(formatDate('', 'moment')).toBe('');
    expect(formatDate(NaN, 'day')).toBe('–');
  });

  test('the week begins on Sunday: the first of January 1970 was a Thursday (ISO 8601)', () => {
    expect(weekdayNames()).toEqual(['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']);
    read('fr');
    expect(weekdayNames()[4]).toBe('jeu.');
  });
});
