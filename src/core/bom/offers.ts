import { priceIn, type Brief } from '../design';

/**
 * A shop as its price feed says. Money in minor units of its own currency, which is taken to be the
 * brief's.
 */
export interface Shop {
  readonly id: string;
  readonly name: string;
  readonly shipping_minor: number;
  /** From this sum on it ships for nothing; null: never. */
  readonly freeFrom_minor: number | null;
  /** Prices are with this much tax in them, %; told, not added. */
  readonly tax_percent: number;
  /** From the order to the door, days, for what is in stock. */
  readonly days: number;
  /** So many days from the door on it takes things back; not told where not given. */
  readonly returns_days?: number;
}

/** What a shop asks for a part. */
export interface Offer {
  readonly shop: string;
  readonly part: string;
  readonly price_minor: number;
  /** Pieces it has; null: as many as are wanted. */
  readonly stock: number | null;
  /** Days more than the shop's own, for what it must get first. */
  readonly extraDays: number;
  /** The shop's own number of it, to order by. */
  readonly order?: string;
}

export interface Feed {
  readonly shop: Shop;
  readonly offers: readonly Offer[];
}

/** Something to buy. */
export interface Wanted {
  readonly part: string;
  readonly name: string;
  readonly quantity: number;
}

/** A shop whose prices are in the parts' currency, told in the brief's. */
export function feedIn(brief: Pick<Brief, 'exchange'>, { shop, offers }: Feed): Feed {
  const { shipping_minor, freeFrom_minor } = shop;
  return {
    shop: {
      ...shop,
      shipping_minor: priceIn(brief, shipping_minor),
      freeFrom_minor: freeFrom_minor === null ? null : priceIn(brief, freeFrom_minor),
    },
    offers: offers.map((o) => ({ ...o, price_minor: priceIn(brief, o.price_minor) })),
  };
}
