'use client';
import { useEffect, useState } from 'react';
import { createStore, get, set, type UseStore } from 'idb-keyval';
import { feedIn, type Feed, type Shop } from '@/core/bom';
import type { Brief } from '@/core/design';
import { readQuote, type Quote } from '@/format';

let held: UseStore | null = null;
const store = (): UseStore => (held ??= createStore('zephyron-quotes', 'quotes'));

/**
 * Shops' prices: the feeds that ship with the app, and the quotes a builder has read in, kept in
 * this browser.
 */
export function useFeeds(
  brief: Brief,
  known: (part: string) => boolean,
  named: (name: string) => string | null,
) {
  const [feeds, setFeeds] = useState<readonly Feed[] | null>(null);
  const [own, setOwn] = useState<readonly Feed[]>([]);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let live = true;
    void (async () => {
      try {
        const shops = (await (await fetch('/feeds/shops.json')).json()) as readonly Shop[];
        const read = await Promise.all(
          shops.map(async (shop): Promise<Feed> => ({
            shop,
            offers: readQuote(
              await (await fetch(`/feeds/${shop.id}.csv`)).text(),
              shop.id,
              () => true,
            ).offers,
          })),
        );
        if (live) setFeeds(read);
      } catch {
        if (live) setFailed(true);
      }
      try {
        const kept = await get<readonly Feed[]>('own', store());
        if (live && kept) setOwn(kept);
      } catch {
        /* No storage: quotes live as long as the page. */
      }
    })();
    return () => {
      live = false;
    };
  }, []);
  const keep = (next: readonly Feed[]): void => {
    setOwn(next);
    set('own', next, store()).catch(() => undefined);
  };
  return {
    // Quotes come in the currency of the build; the shops that ship with the app in the parts' own.
    feeds: feeds === null ? null : [...feeds.map((f) => feedIn(brief, f)), ...own],
    own,
    failed,
    /** Takes a quote in under a shop's name; answers with the rows that could not be read. */
    take: (text: string, shop: Omit<Shop, 'id'>): Quote => {
      const id = `own-${shop.name
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, '-')
          .slice(0, 40)}`,
        quote = readQuote(text, id, known, named);
      if (quote.offers.length > 0)
        keep([
          ...own.filter((f) => f.shop.id !== id),
          { shop: { ...shop, id }, offers: quote.offers },
        ]);
      return quote;
    },
    drop: (id: string): void => keep(own.filter((f) => f.shop.id !== id)),
  };
}
