import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued } from '@/catalogue';
import { guardPart } from '@/core/guard';
import { fieldsOf, guessMapping, moneyOf, partsFromRows, partsToCsv, readQuote, readSheet } from '.';

describe('numbers as people write them', () => {
  test.each([['12.90', 12.9], ['12,90', 12.9], ['1,234.50', 1234.5], ['1.234,50', 1234.5], ['€ 7', 7], ['1,200', 1200], ['1 234', 1234], ['', null], ['free', null]] as const)('%s', (text, value) => {
    expect(moneyOf(text)).toBe(value);
  });
});

describe('a quote', () => {
  test('rows that cannot be read say why at their line; the others count', () => {
    const quote = readQuote('\uFEFFPart Number;Unit price;In stock\nfit-plug;1,90;40\nghost;1;\nfit-plug;2;\nfit-joint;dear;\n', 'shop', (p) => p.startsWith('fit-'));
    expect(quote.offers).toEqual([{ shop: 'shop', part: 'fit-plug', price_minor: 190, stock: 40, extraDays: 0 }]);
    expect(quote.troubles.map((t) => t.line)).toEqual([3, 4, 5]);
    // By its name where the number is the shop's own, and that number kept to order by.
    const named = readQuote('order number,description,price\nWL 7,Plug,1.80\nWL 8,Nothing such,2\n', 'shop', () => false, (n) => (n === 'Plug' ? 'fit-plug' : null));
    expect(named).toMatchObject({ offers: [{ part: 'fit-plug', price_minor: 180, order: 'WL 7' }], troubles: [{ line: 3, says: 'The Stores have no part called “Nothing such”.' }] });
    expect(readQuote('a,b\n1,2\n', 'shop', () => true).troubles[0]?.says).toContain('The first line must name');
  });
});

describe('parts from a table', () => {
  const fan = catalogued('fan', 'fan-wren-120-1500');
  const sheet = readSheet('Name,Full speed,Price,sound,size 2\n"Reed 120",1800,"€ 12,50",27.5,25\nWillow,fast,9,20,25\n');

  test('columns find their figures by name; what no column says is the pattern\'s; wrong rows say so at their place', () => {
    const mapping = guessMapping(fieldsOf(fan), sheet.columns);
    expect(mapping).toMatchObject({ name: 'Name', price_minor: 'Price', sound_dBA: 'sound' });
    const [good, bad] = partsFromRows(fan, sheet, { ...mapping, fullSpeed_rpm: 'Full speed' });
    expect(good).toMatchObject({ kind: 'fan', name: 'Reed 120', fullSpeed_rpm: 1800, price_minor: 1250, sound_dBA: 27.5, size: fan.size, points: fan.points });
    expect(guardPart(good)).toMatchObject({ ok: true });
    const guarded = guardPart(bad);
    expect(guarded.ok ? [] : guarded.troubles.map((t) => t.path)).toEqual(['fullSpeed_rpm']);
  });

  test('given out and read in again, every part of the Stores has the figures it had', () => {
    for (const kind of ['radiator', 'fan', 'pump', 'tube', 'screw', 'sundry'] as const) {
      const parts = CATALOGUE.filter((p) => p.kind === kind), back = readSheet(partsToCsv(parts)), [pattern] = parts;
      if (!pattern) throw new Error('no such kind');
      const fields = fieldsOf(pattern).filter((f) => f !== 'id'), again = partsFromRows(pattern, back, Object.fromEntries(fields.map((f) => [f, f])));
      again.forEach((p, i) => { for (const f of fields) { const [key, inner] = f.split('.') as [string, string | undefined], v = (x: unknown): unknown => { const o = (x as Record<string, unknown>)[key]; return inner === undefined ? o : (o as Record<string, unknown>)[inner]; }; if (v(parts[i]) !== undefined) expect([f, v(p)]).toEqual([f, v(parts[i])]); } });
    }
  });

  test('a formula in a name is disarmed on the way out', () => {
    expect(partsToCsv([{ ...fan, name: '=HYPERLINK("x")' }])).toContain("'=HYPERLINK");
  });
});
