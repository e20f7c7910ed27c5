import { describe, expect, test } from '@jest/globals';
import {
  formatCelsius,
  formatFlow,
  formatKelvin,
  formatKilopascals,
  formatMillimetres,
  formatMoney,
  formatNumber,
  formatSound,
  formatSpeed,
  formatWatts,
} from '.';

describe('numbers as a builder reads them', () => {
  test.each([
    [1150, {}, '1,150'],
    [1234567.891, { decimals: 1 }, '1,234,567.9'],
    [-3.25, { decimals: 1 }, '−3.3'],
    [2.5, { decimals: 1, signed: true }, '+2.5'],
    [0, { signed: true }, '0'],
    [-0.0001, { decimals: 1 }, '0.0'],
  ] as const)('%p %p is %s', (value, options, expected) => {
    expect(formatNumber(value, options)).toBe(expected);
  });

  test.each([NaN, Infinity, null, undefined])('%p is a dash, never NaN', (value) => {
    expect(formatNumber(value)).toBe('–');
  });

  test('units stand beside', () => {
    expect(formatKelvin(9.84)).toBe('+9.8 K');
    expect(formatCelsius(71.4)).toBe('71 °C');
    expect(formatFlow(3.94)).toBe('3.9 L/min');
    expect(formatWatts(455.2)).toBe('455 W');
    expect(formatMillimetres(3.25, 1)).toBe('3.3 mm');
    expect(formatKilopascals(29)).toBe('29.0 kPa');
    expect(formatSound(27.1)).toBe('27 dBA');
    expect(formatSpeed(1150)).toBe('1,150 rpm');
  });

  test('money in minor units', () => {
    expect(formatMoney(41250)).toBe('412.50');
    expect(formatMoney(41250, true)).toBe('413');
    expect(formatMoney(null)).toBe('–');
  });
});
