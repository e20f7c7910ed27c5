import { DEFAULT_BRIEF } from './empty';
import type { Brief } from './types';

/** What prices of parts are kept in, whoever buys them. */
export const PARTS_CURRENCY = DEFAULT_BRIEF.currency;

/** How many of the brief's currency one of the parts' is; 1 while nobody has said. */
export const exchangeOf = ({ exchange }: Pick<Brief, 'exchange'>): number => exchange ?? 1;

/** A part's price (minor units of `PARTS_CURRENCY`) in the brief's currency, minor units. */
export const priceIn = (brief: Pick<Brief, 'exchange'>, price_minor: number): number =>
  Math.round(price_minor * exchangeOf(brief));

/**
 * The brief in another currency at an exchange rate (how many of it one of the parts' currency is):
 * the budget keeps its worth. Back in the parts' own currency the rate is 1.
 */
export function inCurrency(brief: Brief, currency: string, rate: number): Brief {
  const exchange = currency === PARTS_CURRENCY ? 1 : rate;
  const { budget_minor } = brief.limits;
  const worth = exchange / exchangeOf(brief);
  const { exchange: _was, ...rest } = brief;
  return {
    ...rest,
    currency,
    ...(exchange === 1 ? {} : { exchange }),
    limits: {
      ...brief.limits,
      budget_minor: budget_minor === null ? null : Math.round(budget_minor * worth),
    },
  };
}
