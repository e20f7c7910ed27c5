import { afterEach, describe, expect, test } from '@jest/globals';
import {
  formatCelsius,
  formatFlow,
  formatKelvin,
  formatMeasure,
  formatMillimetres,
  formatShown,
  formatSize,
  parseQuantity,
  QUANTITIES,
  showUnits,
  tickShown,
  ticksShown,
  unitShown,
  valueShown,
} from '.';

afterEach(() => showUnits('metric'));

describe('in metric units', () => {
  test('a figure is written in the unit it is kept in', () => {
    expect(formatMeasure(12.34, 'mm', { decimals: 1 })).toBe('12.3 mm');
    expect(formatMeasure(-3, 'K', { signed: true })).toBe('−3 K');
    expect(formatSize([400, 210, 65])).toBe('400 × 210 × 65 mm');
    expect(formatMeasure(null, 'kPa')).toBe('– kPa');
  });

  test('an axis is marked as before', () => {
    expect(ticksShown(0, 10, 2, 'L/min')).toEqual([0, 2, 4, 6, 8, 10]);
    expect(ticksShown(25, 40, 5, '°C')).toEqual([25, 30, 35, 40]);
  });
});

/** Factors: NIST Special Publication 811 (2008), appendix B.8. */
describe('in units customary in the United States', () => {
  test.each([
    [25.4, 'mm', 1, 'in'],
    [0.3048, 'm', 1, 'ft'],
    [100, '°C', 212, '°F'],
    [-40, '°C', -40, '°F'],
    [5, 'K', 9, '°F'],
    [3.785411784, 'L/min', 1, 'gpm'],
    [6.894757, 'kPa', 1, 'psi'],
    [0.06894757, 'bar', 1, 'psi'],
    [68.94757, 'mbar', 1, 'psi'],
    [249.0889, 'Pa', 1, 'inH2O'],
    [1.699011, 'm³/h', 1, 'CFM'],
    [29.57353, 'mL', 1, 'fl oz'],
    [6.4516, 'cm²', 1, 'in²'],
    [0.3048, 'm/s', 1, 'ft/s'],
    [17, 'W', 17, 'W'],
    [0.05, 'K/W', 0.05, 'K/W'],
  ])('%p %s is %p %s', (ours, unit, theirs, name) => {
    showUnits('us');
    expect(valueShown(ours, unit)).toBeCloseTo(theirs, 5);
    expect(unitShown(unit)).toBe(name);
  });

  test('small steps of ours are still told apart', () => {
    showUnits('us');
    expect(formatMillimetres(12.3, 1)).toBe('0.484 in');
    expect(formatMillimetres(1000)).toBe('39.37 in');
    expect(formatFlow(4)).toBe('1.06 gpm');
    expect(formatKelvin(9)).toBe('+16.2 °F');
    expect(formatCelsius(25, 1)).toBe('77.0 °F');
    expect(formatShown(101.3, 'kPa', { decimals: 1 })).toBe('14.69');
    expect(formatSize([400, 210])).toBe('15.75 × 8.27 in');
  });

  test('an axis is marked at round numbers of the unit shown', () => {
    showUnits('us');
    const flows = ticksShown(0, 12, 2, 'L/min');
    expect(flows.map((v) => tickShown(v, 'L/min'))).toEqual(['0', '1', '2', '3']);
    const temps = ticksShown(20, 60, 10, '°C');
    expect(temps.map((v) => tickShown(v, '°C'))).toEqual(['80', '100', '120', '140']);
    expect(temps[0]).toBeCloseTo(26.6667, 4);
  });

  test('a bare number is read in the unit shown, another by its name', () => {
    showUnits('us');
    const bare = unitShown(QUANTITIES.flow.inner);
    expect(parseQuantity('1', 'flow', bare)).toEqual({ ok: true, value: 3.785411784, unit: 'gpm' });
    expect(parseQuantity('4 L/min', 'flow', bare)).toEqual({ ok: true, value: 4, unit: 'L/min' });
  });

  test('whatever is kept can be typed again in the unit it is shown in', () => {
    showUnits('us');
    for (const [name, { inner, units }] of Object.entries(QUANTITIES))
      expect([name, units.map((u): string => u.symbol)]).toEqual([
        name,
        expect.arrayContaining([unitShown(inner)]),
      ]);
  });
});
