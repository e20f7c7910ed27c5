import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { readQuote } from '@/format';
import { applyEdit, type Design, findComponent } from '../design';
import { familyChange } from '../studies';
import { analyse } from '../analysis';
import {
  cheapestPurchase,
  spareAdvice,
  stepOf,
  leadTimes,
  requirements,
  WORK_STEPS,
  type Feed,
  type Shop,
  type Wanted,
} from '.';

const shop = (id: string, shipping_minor: number, freeFrom_minor: number | null): Shop => ({
  id,
  name: id,
  shipping_minor,
  freeFrom_minor,
  tax_percent: 20,
  days: 2,
});
const feed = (s: Shop, prices: Readonly<Record<string, number>>): Feed => ({
  shop: s,
  offers: Object.entries(prices).map(([part, price_minor]) => ({
    shop: s.id,
    part,
    price_minor,
    stock: null,
    extraDays: 0,
  })),
});
const want = (...parts: readonly string[]): readonly Wanted[] =>
  parts.map((part) => ({ part, name: part, quantity: 1 }));

describe('the cheapest basket', () => {
  test('worked by hand: two shops at 10 each, one at 19 with shipping of 5 apiece', () => {
    // Apart 10 + 10 + 2 × 5 = 30; all at the first 10 + 12 + 5 = 27; all at the second 11 + 10 + 5
    // = 26.
    const feeds = [
      feed(shop('a', 500, null), { x: 1000, y: 1200 }),
      feed(shop('b', 500, null), { x: 1100, y: 1000 }),
    ];
    expect(cheapestPurchase(want('x', 'y'), feeds)).toMatchObject({
      total_minor: 2600,
      proven: true,
      shops: [{ shop: { id: 'b' }, goods_minor: 2100, shipping_minor: 500 }],
    });
  });

  test('a dearer part is taken where it lifts the sum over free shipping', () => {
    const feeds = [
      feed(shop('a', 700, 5000), { x: 4500, y: 600 }),
      feed(shop('b', 0, null), { y: 500 }),
    ];
    // 45 + 7 + 5 = 57 apart; 45 + 6 = 51 together.
    expect(cheapestPurchase(want('x', 'y'), feeds).total_minor).toBe(5100);
  });

  test('what no shop has is told; too few in stock is not there; one shop alone can be asked for', () => {
    const feeds: readonly Feed[] = [
      {
        ...feed(shop('a', 500, null), {}),
        offers: [{ shop: 'a', part: 'x', price_minor: 100, stock: 1, extraDays: 9 }],
      },
      feed(shop('b', 300, null), { x: 150 }),
    ];
    const two = cheapestPurchase(
      [
        { part: 'x', name: 'x', quantity: 2 },
        { part: 'z', name: 'z', quantity: 1 },
      ],
      feeds,
    );
    expect(two.nowhere.map((n) => n.part)).toEqual(['z']);
    expect(two.shops.map((s) => s.shop.id)).toEqual(['b']);
    expect(cheapestPurchase(want('x'), feeds, ['a'])).toMatchObject({
      total_minor: 600,
      last: { part: 'x', days: 11 },
    });
    expect(cheapestPurchase([], feeds)).toMatchObject({ total_minor: 0, shops: [], last: null });
  });

  test('tax stands in the price: 120 with 20 % holds 20', () => {
    expect(
      cheapestPurchase(want('x'), [feed(shop('a', 0, null), { x: 12000 })]).shops[0]?.tax_minor,
    ).toBe(2000);
  });

  /** Against every assignment of parts to shops. */
  test('as cheap as the best of all assignments', () => {
    const price = fc.integer({ min: 50, max: 3000 });
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.option(price, { freq: 4, nil: 0 }), { minLength: 3, maxLength: 3 }), {
          minLength: 1,
          maxLength: 6,
        }),
        fc.array(
          fc.record({
            ship: fc.integer({ min: 0, max: 900 }),
            free: fc.option(fc.integer({ min: 500, max: 6000 }), { nil: null }),
          }),
          { minLength: 3, maxLength: 3 },
        ),
        (parts, shops) => {
          const rows = parts.filter((p) => p.some((v) => v > 0)),
            feeds = shops.map((s, k) =>
              feed(
                shop(`s${k}`, s.ship, s.free),
                Object.fromEntries(
                  rows.flatMap((p, i) => ((p[k] as number) > 0 ? [[`p${i}`, p[k] as number]] : [])),
                ),
              ),
            );
          let best = Infinity;
          const go = (i: number, sums: readonly number[], used: readonly boolean[]): void => {
            if (i === rows.length) {
              best = Math.min(
                best,
                sums.reduce(
                  (t, v, k) =>
                    t +
                    v +
                    (used[k] &&
                    !((shops[k]?.free ?? null) !== null && v >= (shops[k]?.free as number))
                      ? (shops[k]?.ship as number)
                      : 0),
                  0,
                ),
              );
              return;
            }
            (rows[i] as readonly number[]).forEach((v, k) => {
              if (v > 0)
                go(
                  i + 1,
                  sums.map((x, j) => (j === k ? x + v : x)),
                  used.map((u, j) => u || j === k),
                );
            });
          };
          go(0, [0, 0, 0], [false, false, false]);
          expect(
            cheapestPurchase(
              rows.map((_, i) => ({ part: `p${i}`, name: '', quantity: 1 })),
              feeds,
            ).total_minor,
          ).toBe(rows.length === 0 ? 0 : best);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('the feeds that ship with the app', () => {
  const shops = JSON.parse(readFileSync('public/feeds/shops.json', 'utf8')) as readonly Shop[],
    known = new Map(CATALOGUE.map((p) => [p.id, p]));
  const feeds = shops.map((s): Feed => ({
    shop: s,
    offers: readQuote(readFileSync(`public/feeds/${s.id}.csv`, 'utf8'), s.id, (id) => known.has(id))
      .offers,
  }));

  test('every row is a part of the catalogue at a price near its own, and every file has its shop', () => {
    expect(
      readdirSync('public/feeds')
        .filter((f) => f.endsWith('.csv'))
        .sort(),
    ).toEqual(shops.map((s) => `${s.id}.csv`).sort());
    for (const f of feeds) {
      expect(
        readQuote(readFileSync(`public/feeds/${f.shop.id}.csv`, 'utf8'), f.shop.id, (id) =>
          known.has(id),
        ).troubles,
      ).toEqual([]);
      for (const o of f.offers) {
        const own = known.get(o.part)?.price_minor ?? NaN;
        expect(o.price_minor).toBeGreaterThan(0.6 * own - 30);
        expect(o.price_minor).toBeLessThan(1.4 * own + 30);
      }
    }
  });

  test.each(['dawn-chorus-desk', 'fenland-flood-tower', 'pocket-planetarium'])(
    '%s: a basket of its whole list is found, proven, and no dearer than any shop alone',
    (name) => {
      const { bom: list } = analyse(demoDesign(name) as Design).reports,
        wanted = list.lines
          .filter((l) => !l.owned && Number.isInteger(l.quantity))
          .map((l) => ({ part: l.part, name: l.name, quantity: l.quantity }));
      const basket = cheapestPurchase(wanted, feeds);
      expect(basket.shops.flatMap((s) => s.lines).length + basket.nowhere.length).toBe(
        wanted.length,
      );
      for (const f of feeds) {
        const alone = cheapestPurchase(wanted, feeds, [f.shop.id]);
        if (alone.nowhere.length === basket.nowhere.length)
          expect(basket.total_minor).toBeLessThanOrEqual(alone.total_minor);
      }
      expect(basket.proven).toBe(true);
    },
  );
});

describe('wishes and spares', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design,
    {
      system,
      reports: { bom: list },
    } = analyse(desk);
  test('a wish costs what the build would cost less with the plainest', () => {
    const all = requirements(system, list, CATALOGUE);
    expect(all.length).toBeGreaterThan(0);
    for (const w of all) {
      const plain = CATALOGUE.find(
          (p) => p.id === w.plainest,
        ) as Design['components'][number]['part'],
        after = analyse(
          applyEdit(desk, { do: 'component.replace', component: w.component, part: plain }).design,
        ).reports.bom;
      const of = (l: typeof list, id: string): number =>
          l.lines.filter((x) => x.part === id).reduce((s, x) => s + x.total, 0),
        now = findComponent(desk, w.component)?.part.id ?? '';
      expect(of(list, now) + of(list, w.plainest) - of(after, now) - of(after, w.plainest)).toBe(
        w.more_minor,
      );
    }
  });
  test('an owned part is no wish; one more of each fitting that breaks builds', () => {
    const owned = applyEdit(desk, {
      do: 'component.set',
      component: 'pump',
      values: { owned: true },
    }).design;
    const then = analyse(owned);
    expect(
      requirements(then.system, then.reports.bom, CATALOGUE).some((w) => w.component === 'pump'),
    ).toBe(false);
    expect(spareAdvice(desk, list).map((s) => s.part)).toEqual(
      expect.arrayContaining(['fit-plug', 'fit-comp-16-10']),
    );
    // Another family's are told as well, whatever their numbers.
    const rush = applyEdit(
      desk,
      familyChange(
        desk,
        'Rushlight',
        CATALOGUE.filter((p) => p.kind === 'fitting'),
      ).edit,
    ).design;
    expect(spareAdvice(rush, analyse(rush).reports.bom).map((s) => s.part)).toEqual(
      expect.arrayContaining(['fit-rush-plug', 'fit-rush-comp-16-10']),
    );
  });
});

describe('what comes late holds up', () => {
  const part = catalogued;

  test('worked by hand: tube on day 3 and a radiator on day 9 hold mounting and all after it; coolant on day 12 only the filling', () => {
    const waits = leadTimes([
      { part: part('radiator', 'rad-mill-360-30'), days: 9 },
      { part: part('fan', 'fan-wren-120-1200'), days: 2 },
      { part: part('tube', 'tube-soft-13-10'), days: 3 },
      { part: part('coolant', 'cool-clear-premix'), days: 12 },
    ]);
    expect(waits).toEqual([
      { step: 'mounting', day: 9, by: [part('radiator', 'rad-mill-360-30').name] },
      { step: 'runs', day: 9, by: [] },
      { step: 'air test', day: 9, by: [] },
      { step: 'filling', day: 12, by: [part('coolant', 'cool-clear-premix').name] },
    ]);
  });

  test('nothing to come holds up nothing; several that come on the same last day are all named', () => {
    expect(leadTimes([]).every((w) => w.day === 0 && w.by.length === 0)).toBe(true);
    const [mounting] = leadTimes([
      { part: part('fan', 'fan-wren-120-1200'), days: 4 },
      { part: part('fan', 'fan-wren-140-1500'), days: 4 },
    ]);
    expect(mounting?.by.length).toBe(2);
  });

  test('every part of the catalogue belongs to a step, and days never fall from step to step', () => {
    for (const p of CATALOGUE) expect(WORK_STEPS).toContain(stepOf(p));
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ part: fc.constantFrom(...CATALOGUE), days: fc.integer({ min: 0, max: 60 }) }),
          { maxLength: 20 },
        ),
        (arrivals) => {
          const waits = leadTimes(arrivals);
          waits
            .slice(1)
            .forEach((w, i) =>
              expect(w.day).toBeGreaterThanOrEqual((waits[i] as { day: number }).day),
            );
          expect(waits[waits.length - 1]?.day).toBe(Math.max(0, ...arrivals.map((a) => a.days)));
        },
      ),
    );
  });
});
