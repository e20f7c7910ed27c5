import type { Feed, Offer, Shop, Wanted } from './offers';

export interface PurchaseLine {
  readonly part: string;
  readonly name: string;
  readonly quantity: number;
  readonly shop: string;
  readonly price_minor: number;
  readonly days: number;
  /** The shop's own number of it. */
  readonly order?: string;
}
export interface PurchaseShop {
  readonly shop: Shop;
  readonly goods_minor: number;
  readonly shipping_minor: number;
  readonly tax_minor: number;
  readonly days: number;
  readonly lines: readonly PurchaseLine[];
}
export interface PurchasePlan {
  readonly shops: readonly PurchaseShop[];
  readonly total_minor: number;
  /** Wanted, and sold by no shop in the number wanted. */
  readonly nowhere: readonly Wanted[];
  /** What comes last, and when. */
  readonly last: PurchaseLine | null;
  /** Whether no cheaper basket exists. */
  readonly proven: boolean;
}

/**
 * Assignments looked at where two sums must be lifted at once, before the best found is taken as it
 * is.
 */
const MOST_NODES = 200_000;

/**
 * The cheapest basket with shipping: every wanted part from one shop that has it in the number
 * wanted, each shop used shipping once, or for nothing from its own sum on. For every set of shops,
 * and every choice of those that are to ship for nothing: each part at its cheapest among them;
 * where a sum falls short, parts are moved to that shop at the least extra cost (covering knapsack,
 * dynamic programming over the money missing; Martello & Toth 1990). Sets whose bound is no better
 * than the best are passed over. Exact, unless two sums fall short at once and the search is cut
 * (`proven`).
 */
export function cheapestPurchase(
  wanted: readonly Wanted[],
  feeds: readonly Feed[],
  only: readonly string[] | null = null,
): PurchasePlan {
  const shops = feeds.filter((f) => only === null || only.includes(f.shop.id));
  const asked = wanted
    .filter((w) => w.quantity > 0)
    .map((w) => ({ w, offers: offersOf(w, shops) }));
  const nowhere = asked.filter((a) => a.offers.length === 0).map((a) => a.w),
    list = asked.filter((a) => a.offers.length > 0);
  const sets = subsets(shops.map((s) => s.shop))
    .flatMap((used) => {
      const ids = new Set(used.map((s) => s.id)),
        cheapest = list.map((a) => a.offers.findIndex((o) => ids.has(o.shop)));
      if (cheapest.some((k) => k < 0)) return [];
      const goods = list.reduce(
        (s, a, i) => s + (a.offers[cheapest[i] as number] as Priced).cost,
        0,
      );
      return subsets(used.filter((s) => s.freeFrom_minor !== null)).map((free) => ({
        used,
        free,
        cheapest,
        bound: goods + used.reduce((s, x) => s + (free.includes(x) ? 0 : x.shipping_minor), 0),
      }));
    })
    .sort((a, b) => a.bound - b.bound || a.used.length - b.used.length);
  let best = Infinity,
    pick: readonly number[] = [],
    proven = true;
  for (const set of sets) {
    if (set.bound >= best) break;
    const found = lifted(list, set.used, set.free, set.cheapest, best - set.bound);
    if (!found.whole) proven = false;
    if (!found.pick) continue;
    const total = costOf(list, found.pick, shops);
    if (total < best) {
      best = total;
      pick = found.pick;
    }
  }
  return basketOf(list, pick, shops, nowhere, proven);
}

/**
 * Each part at its cheapest of the shops used, moved so that every shop that is to ship for nothing
 * reaches its sum; null when it cannot for less than `spare` more.
 */
function lifted(
  list: Asked,
  used: readonly Shop[],
  free: readonly Shop[],
  cheapest: readonly number[],
  spare: number,
): { readonly pick: readonly number[] | null; readonly whole: boolean } {
  const sumAt = (shop: string): number =>
    list.reduce((s, a, i) => {
      const o = a.offers[cheapest[i] as number] as Priced;
      return s + (o.shop === shop ? o.cost : 0);
    }, 0);
  const short = free.filter((s) => sumAt(s.id) < (s.freeFrom_minor as number));
  if (short.length === 0) return { pick: cheapest, whole: true };
  const [first] = free;
  return free.length === 1 && first
    ? {
        pick: covered(list, first, cheapest, (first.freeFrom_minor as number) - sumAt(first.id)),
        whole: true,
      }
    : searched(list, used, free, cheapest, spare);
}

/** Parts moved to one shop so that its sum grows by what is missing, at the least extra cost. */
function covered(
  list: Asked,
  shop: Shop,
  cheapest: readonly number[],
  missing: number,
): readonly number[] | null {
  const moves = list.flatMap((a, i) => {
    const k = a.offers.findIndex((o) => o.shop === shop.id),
      now = a.offers[cheapest[i] as number] as Priced;
    return k >= 0 && now.shop !== shop.id
      ? [
          {
            i,
            k,
            gain: (a.offers[k] as Priced).cost,
            extra: (a.offers[k] as Priced).cost - now.cost,
          },
        ]
      : [];
  });
  // least[m]: the least extra cost that covers m of what is missing, and the last move that did.
  const least = new Float64Array(missing + 1).fill(Infinity),
    from: Int32Array[] = [];
  least[0] = 0;
  for (const move of moves) {
    const took = new Int32Array(missing + 1).fill(-1);
    for (let m = missing; m >= 1; m -= 1) {
      const before = Math.max(0, m - move.gain),
        cost = (least[before] as number) + move.extra;
      if (cost < (least[m] as number)) {
        least[m] = cost;
        took[m] = before;
      }
    }
    from.push(took);
  }
  if (!Number.isFinite(least[missing] as number)) return null;
  const pick = [...cheapest];
  let m = missing;
  for (let n = moves.length - 1; n >= 0 && m > 0; n -= 1) {
    const before = (from[n] as Int32Array)[m] as number;
    if (before >= 0) {
      const move = moves[n] as (typeof moves)[number];
      pick[move.i] = move.k;
      m = before;
    }
  }
  return pick;
}

/** Several sums to lift at once: all assignments, those that cost too much more cut off. */
function searched(
  list: Asked,
  used: readonly Shop[],
  free: readonly Shop[],
  cheapest: readonly number[],
  spare: number,
): { readonly pick: readonly number[] | null; readonly whole: boolean } {
  const ids = new Set(used.map((s) => s.id)),
    order = list
      .map((_, i) => i)
      .sort(
        (a, b) =>
          ((list[b] as Asked[number]).offers[cheapest[b] as number] as Priced).cost -
          ((list[a] as Asked[number]).offers[cheapest[a] as number] as Priced).cost,
      );
  const reach = new Map(
    free.map((s) => [
      s.id,
      suffix(
        order.map((i) => (list[i] as Asked[number]).offers.find((o) => o.shop === s.id)?.cost ?? 0),
      ),
    ]),
  );
  const sums = new Map(free.map((s) => [s.id, 0])),
    at = [...cheapest];
  let best = spare,
    pick: readonly number[] | null = null,
    nodes = 0,
    whole = true;
  const go = (n: number, extra: number): void => {
    if (!whole || extra >= best) return;
    if ((nodes += 1) > MOST_NODES) {
      whole = false;
      return;
    }
    for (const s of free)
      if ((sums.get(s.id) ?? 0) + (reach.get(s.id)?.[n] ?? 0) < (s.freeFrom_minor as number))
        return;
    const i = order[n];
    if (i === undefined) {
      best = extra;
      pick = [...at];
      return;
    }
    const { offers } = list[i] as Asked[number],
      now = offers[cheapest[i] as number] as Priced;
    offers.forEach((o, k) => {
      if (!ids.has(o.shop)) return;
      at[i] = k;
      const own = sums.get(o.shop);
      if (own !== undefined) sums.set(o.shop, own + o.cost);
      go(n + 1, extra + o.cost - now.cost);
      if (own !== undefined) sums.set(o.shop, own);
    });
    at[i] = cheapest[i] as number;
  };
  go(0, 0);
  return { pick, whole };
}

const subsets = <T>(list: readonly T[]): readonly (readonly T[])[] =>
  Array.from({ length: 2 ** list.length }, (_, bits) =>
    list.filter((_x, i) => (bits >> i) % 2 === 1),
  );

interface Priced extends Offer {
  readonly cost: number;
  readonly days: number;
}
type Asked = readonly { readonly w: Wanted; readonly offers: readonly Priced[] }[];

function offersOf(w: Wanted, feeds: readonly Feed[]): readonly Priced[] {
  return feeds
    .flatMap((f) =>
      f.offers
        .filter((o) => o.part === w.part && (o.stock === null || o.stock >= w.quantity))
        .map((o): Priced => ({
          ...o,
          cost: Math.round(o.price_minor * w.quantity),
          days: f.shop.days + o.extraDays,
        })),
    )
    .sort((a, b) => a.cost - b.cost || a.shop.localeCompare(b.shop));
}

const suffix = (values: readonly number[]): readonly number[] =>
  values.map((_, i) => values.slice(i).reduce((a, b) => a + b, 0));
const shippingOf = (shop: Shop, goods: number): number =>
  shop.freeFrom_minor !== null && goods >= shop.freeFrom_minor ? 0 : shop.shipping_minor;

function costOf(list: Asked, pick: readonly number[], feeds: readonly Feed[]): number {
  const goods = new Map<string, number>();
  list.forEach((a, i) => {
    const o = a.offers[pick[i] as number] as Priced;
    goods.set(o.shop, (goods.get(o.shop) ?? 0) + o.cost);
  });
  return [...goods].reduce((s, [id, sum]) => {
    const shop = feeds.find((f) => f.shop.id === id)?.shop;
    return s + sum + (shop ? shippingOf(shop, sum) : 0);
  }, 0);
}

function basketOf(
  list: Asked,
  pick: readonly number[],
  feeds: readonly Feed[],
  nowhere: readonly Wanted[],
  proven: boolean,
): PurchasePlan {
  const lines = list.map((a, i): PurchaseLine => {
    const o = a.offers[pick[i] as number] as Priced;
    return {
      part: a.w.part,
      name: a.w.name,
      quantity: a.w.quantity,
      shop: o.shop,
      price_minor: o.price_minor,
      days: o.days,
      ...(o.order ? { order: o.order } : {}),
    };
  });
  const shops = feeds.flatMap(({ shop }): PurchaseShop[] => {
    const own = lines.filter((l) => l.shop === shop.id);
    if (own.length === 0) return [];
    const goods_minor = own.reduce((s, l) => s + Math.round(l.price_minor * l.quantity), 0),
      shipping_minor = shippingOf(shop, goods_minor);
    return [
      {
        shop,
        goods_minor,
        shipping_minor,
        tax_minor: Math.round(
          ((goods_minor + shipping_minor) * shop.tax_percent) / (100 + shop.tax_percent),
        ),
        days: Math.max(...own.map((l) => l.days)),
        lines: own,
      },
    ];
  });
  return {
    shops,
    total_minor: shops.reduce((s, x) => s + x.goods_minor + x.shipping_minor, 0),
    nowhere,
    last: [...lines].sort((a, b) => b.days - a.days)[0] ?? null,
    proven,
  };
}
