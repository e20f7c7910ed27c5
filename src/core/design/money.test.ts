import { describe, expect, test } from '@jest/globals';
import { DEFAULT_BRIEF, exchangeOf, inCurrency, PARTS_CURRENCY, priceIn } from '.';

/** Worked by hand. */
describe('a brief in another currency', () => {
  const yen = inCurrency(DEFAULT_BRIEF, 'XTS', 1.6);

  test('prices are times the rate, to the minor unit', () => {
    expect(priceIn(yen, 10_01)).toBe(16_02);
    expect(priceIn(DEFAULT_BRIEF, 10_01)).toBe(10_01);
  });

  test('the budget keeps its worth, there and back', () => {
    expect(yen.limits.budget_minor).toBe(960_00);
    expect(inCurrency(yen, 'XTS', 0.8).limits.budget_minor).toBe(480_00);
    expect(inCurrency(yen, PARTS_CURRENCY, 5)).toEqual(DEFAULT_BRIEF);
  });

  test('no budget stays none', () => {
    const open = { ...DEFAULT_BRIEF, limits: { ...DEFAULT_BRIEF.limits, budget_minor: null } };
    expect(inCurrency(open, 'XTS', 2).limits.budget_minor).toBeNull();
    expect(exchangeOf(inCurrency(open, 'XTS', 2))).toBe(2);
  });
});
