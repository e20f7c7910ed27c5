import { expect, test } from '@jest/globals';
import { feedIn, type Feed } from '.';

/** Worked by hand: at 1.5, a part of 10.01 is 15.02, shipping of 4.90 is 7.35. */
test("a shop's prices, shipping and free limit are told in the brief's currency", () => {
  const feed: Feed = {
    shop: {
      id: 'heron',
      name: 'Heron',
      shipping_minor: 490,
      freeFrom_minor: 10_000,
      tax_percent: 20,
      days: 2,
    },
    offers: [
      {
        shop: 'heron',
        part: 'pump',
        price_minor: 1001,
        stock: 3,
        extraDays: 0,
      } as Feed['offers'][number],
    ],
  };
  const told = feedIn({ exchange: 1.5 }, feed);
  expect([told.shop.shipping_minor, told.shop.freeFrom_minor]).toEqual([735, 15_000]);
  expect(told.offers.map((o) => o.price_minor)).toEqual([1502]);
  expect(feedIn({}, feed)).toEqual(feed);
  const never = feedIn({ exchange: 2 }, { ...feed, shop: { ...feed.shop, freeFrom_minor: null } });
  expect(never.shop.freeFrom_minor).toBeNull();
});
