import { describe, expect, test } from '@jest/globals';
import { convertFromInner, parseQuantity, QUANTITIES, type QuantityName } from '.';

/**
 * Exact definitions: 1 in = 25.4 mm; 1 US gal = 3.785411784 L; 1 psi = 6.894757293168361 kPa; g_n =
 * 9.80665 m/s².
 */
const TYPED: readonly (readonly [string, QuantityName, number])[] = [
  ['3/8 in', 'length', 9.525],
  ['1 1/2 in', 'length', 38.1],
  ['1/4"', 'length', 6.35],
  ['12', 'length', 12],
  ['12,5 mm', 'length', 12.5],
  ['1,150 mm', 'length', 1150],
  ['2 ft', 'length', 609.6],
  ['70 F', 'temperature', 21.1111111],
  ['-40 F', 'temperature', -40],
  ['300 K', 'temperature', 26.85],
  ['18 °F', 'difference', 10],
  ['1.1 gpm', 'flow', 4.1639529624],
  ['240 L/h', 'flow', 4],
  ['3 lpm', 'flow', 3],
  ['1 psi', 'pressure', 6.894757293168361],
  ['1 mH2O', 'pressure', 9.80665],
  ['250 mbar', 'pressure', 25],
  ['13 ft', 'head', 3.9624],
  ['70 CFM', 'airFlow', 118.9307574],
  ['1.5 L', 'volume', 1500],
  ['1150 rpm', 'speed', 1150],
  ['−3 K', 'difference', -3],
];

describe('what a builder types', () => {
  test.each(TYPED)('%s as %s', (text, quantity, expected) => {
    const parsed = parseQuantity(text, quantity);
    expect(parsed).toMatchObject({ ok: true });
    if (parsed.ok) expect(parsed.value).toBeCloseTo(expected, 6);
  });

  test.each(['', 'abc', '12 parsecs', '--3', '3//8 in', '1/0 in', '∞'])(
    '"%s" is refused with a message',
    (text) => {
      const parsed = parseQuantity(text, 'length');
      expect(parsed.ok).toBe(false);
      if (!parsed.ok) expect(parsed.message.length).toBeGreaterThan(10);
    },
  );

  test('an unknown unit is answered with the known ones', () => {
    const parsed = parseQuantity('3 furlong', 'length');
    expect(parsed).toMatchObject({ ok: false });
    if (!parsed.ok) expect(parsed.message).toContain('mm, cm, m, in, ft');
  });

  test('every unit of every quantity comes back from its inner unit', () => {
    for (const [name, quantity] of Object.entries(QUANTITIES)) {
      for (const unit of quantity.units) {
        const shown = convertFromInner(37.5, name as QuantityName, unit.symbol);
        const back = parseQuantity(`${shown.toFixed(12)} ${unit.symbol}`, name as QuantityName);
        expect(back.ok).toBe(true);
        if (back.ok) expect(back.value).toBeCloseTo(37.5, 6);
      }
    }
  });

  test('a unit the quantity lacks is a wrong call', () => {
    expect(() => convertFromInner(1, 'flow', 'mm')).toThrow(RangeError);
  });
});
