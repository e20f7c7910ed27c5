import Papa from 'papaparse';
import type { Offer } from '@/core/bom';
import { msg } from '@/core/messages';
import { detectDecimals, readDecimal } from './decimals';

/** A row of a quote that cannot be taken, by its line in the file, the header being line 1. */
export interface QuoteTrouble {
  readonly line: number;
  readonly says: string;
}
export interface Quote {
  readonly offers: readonly Offer[];
  readonly troubles: readonly QuoteTrouble[];
}

/** Words shops use for the same columns. */
const COLUMNS = {
  part: ['part', 'number', 'part number', 'sku', 'id'],
  price: ['price', 'unit price', 'each'],
  stock: ['stock', 'in stock', 'quantity', 'qty'],
  days: ['days', 'extra days', 'lead', 'lead time'],
  order: ['order number', 'order no', 'article', 'shop number'],
  name: ['name', 'description', 'item'],
} as const;
/** Larger files than this are no quotes. */
const MOST_ROWS = 5000;

/**
 * Prices of a shop's CSV, for parts of the Stores, found by their number or, where a row has none
 * that is known, by their name (`named`). Each row that cannot be read says why; the others count.
 */
export function readQuote(
  text: string,
  shop: string,
  known: (part: string) => boolean,
  named: (name: string) => string | null = () => null,
): Quote {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const column = (key: keyof typeof COLUMNS): string | undefined =>
    (meta.fields ?? []).find((f) => (COLUMNS[key] as readonly string[]).includes(f));
  const [part, price, stock, days, order, name] = [
    column('part'),
    column('price'),
    column('stock'),
    column('days'),
    column('order'),
    column('name'),
  ];
  if ((part === undefined && name === undefined) || price === undefined)
    return {
      offers: [],
      troubles: [
        {
          line: 1,
          says: msg`The first line must name a column for the part (${COLUMNS.part.join(', ')},
            or ${COLUMNS.name.join(', ')}) and one for the price
            (${COLUMNS.price.join(', ')}).`,
        },
      ],
    };
  const offers: Offer[] = [],
    troubles: QuoteTrouble[] = [];
  const decimals = detectDecimals(
    data.map((row) => row[price] ?? ''),
    meta.delimiter,
  );
  if (decimals.against !== null)
    troubles.push({
      line: 1,
      says: msg`Prices are read with a decimal ${decimals.style}, but
        “${decimals.against.slice(0, 30)}” is written otherwise.`,
    });
  data.slice(0, MOST_ROWS).forEach((row, i) => {
    const typed = part === undefined ? '' : (row[part] ?? '').trim(),
      called = name === undefined ? '' : (row[name] ?? '').trim();
    const line = i + 2,
      byNumber = typed !== '' && known(typed),
      byName = byNumber || called === '' ? null : named(called),
      id = byName ?? typed,
      money = readDecimal(row[price] ?? '', decimals.style);
    const say = (says: string): void => {
      troubles.push({ line, says });
    };
    if (id === '') {
      say(
        called === ''
          ? msg`It names no part.`
          : msg`The catalogue has no part called “${called.slice(0, 60)}”.`,
      );
      return;
    }
    if (!byNumber && byName === null) {
      say(msg`The catalogue has no part “${id.slice(0, 60)}”.`);
      return;
    }
    if (money === null || money < 0 || money > 100000) {
      say(msg`“${(row[price] ?? '').slice(0, 30)}” is no price from 0 to 100,000.`);
      return;
    }
    if (offers.some((o) => o.part === id)) {
      say(msg`“${id}” is there twice; the first counts.`);
      return;
    }
    const have =
        stock === undefined || (row[stock] ?? '').trim() === '' ? null : Number(row[stock]),
      more = days === undefined || (row[days] ?? '').trim() === '' ? 0 : Number(row[days]);
    if (have !== null && !(have >= 0)) {
      say(msg`“${(row[stock ?? ''] ?? '').slice(0, 30)}” is no number of pieces.`);
      return;
    }
    if (!(more >= 0 && more <= 365)) {
      say(msg`“${(row[days ?? ''] ?? '').slice(0, 30)}” is no number of days up to 365.`);
      return;
    }
    const number = order === undefined ? '' : (row[order] ?? '').trim().slice(0, 40);
    offers.push({
      shop,
      part: id,
      price_minor: Math.round(100 * money),
      stock: have,
      extraDays: more,
      ...(number === '' ? {} : { order: number }),
    });
  });
  if (data.length > MOST_ROWS)
    troubles.push({ line: MOST_ROWS + 2, says: msg`Only the first ${MOST_ROWS} rows were read.` });
  return { offers, troubles };
}
