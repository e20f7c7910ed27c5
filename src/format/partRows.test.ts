import { describe, expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { CATALOGUE, catalogued } from '@/catalogue';
import { validatePart } from '@/core/validation';
import type { Part } from '@/core/components';
import {
  asCustom,
  detectDecimals,
  fieldsOf,
  figuresRead,
  guessMapping,
  isPartsExport,
  kindNamed,
  partsFromExport,
  partsFromRows,
  partsToCsv,
  readDecimal,
  readQuote,
  readSheet,
  type DecimalStyle,
} from '.';

describe('numbers as people write them', () => {
  test.each<[string, DecimalStyle, number | null]>([
    ['12.90', 'point', 12.9],
    ['12,90', 'comma', 12.9],
    ['1,234.50', 'point', 1234.5],
    ['1.234,50', 'comma', 1234.5],
    ['€ 7', 'point', 7],
    ['1,200', 'point', 1200],
    ['1,200', 'comma', 1.2],
    ['1 234', 'point', 1234],
    ['0.095', 'point', 0.095],
    ['0,095', 'comma', 0.095],
    ['-3.5', 'point', -3.5],
    ['25 mm', 'point', 25],
    ['1e-3', 'point', 0.001],
    ['', 'point', null],
    ['free', 'point', null],
    ['1.2.3', 'point', null],
    ['12,34', 'point', null],
    ['1,2,3', 'comma', null],
    ['4 × 5', 'point', null],
  ])('%s with a decimal %s', (text, style, value) => {
    expect(readDecimal(text, style)).toBe(value);
  });

  test("the style is the file's, not the cell's: one cell that reads in one way decides for those that read in two", () => {
    expect(detectDecimals(['0.095', '1,200', '12'], ',')).toEqual({
      style: 'point',
      proof: 1,
      example: '0.095',
      against: null,
    });
    expect(detectDecimals(['0,095', '1.200'], ';')).toMatchObject({ style: 'comma', proof: 1 });
    expect(detectDecimals(['1,200', '12'], ',')).toEqual({
      style: 'point',
      proof: 0,
      example: null,
      against: null,
    });
    expect(detectDecimals(['1.200', '12'], ';')).toMatchObject({ style: 'comma', proof: 0 });
    expect(detectDecimals(['0.5', '0.25', '0,75'], ',')).toMatchObject({
      style: 'point',
      proof: 2,
      against: '0,75',
    });
    expect(detectDecimals(['1.234.567'], ',')).toMatchObject({ style: 'comma', proof: 1 });
  });
});

describe('a quote', () => {
  test('rows that cannot be read say why at their line; the others count', () => {
    const quote = readQuote(
      '\uFEFFPart Number;Unit price;In stock\nfit-plug;1,90;40\nghost;1;\nfit-plug;2;\nfit-joint;dear;\n',
      'shop',
      (p) => p.startsWith('fit-'),
    );
    expect(quote.offers).toEqual([
      { shop: 'shop', part: 'fit-plug', price_minor: 190, stock: 40, extraDays: 0 },
    ]);
    expect(quote.troubles.map((t) => t.line)).toEqual([3, 4, 5]);
    // By its name where the number is the shop's own, and that number kept to order by.
    const named = readQuote(
      'order number,description,price\nWL 7,Plug,1.80\nWL 8,Nothing such,2\n',
      'shop',
      () => false,
      (n) => (n === 'Plug' ? 'fit-plug' : null),
    );
    expect(named).toMatchObject({
      offers: [{ part: 'fit-plug', price_minor: 180, order: 'WL 7' }],
      troubles: [{ line: 3, says: 'The catalogue has no part called “Nothing such”.' }],
    });
    expect(readQuote('a,b\n1,2\n', 'shop', () => true).troubles[0]?.says).toContain(
      'The first line must name',
    );
  });
});

describe('parts from a table', () => {
  const fan = catalogued('fan', 'fan-wren-120-1500');
  const sheet = readSheet(
    'Name,Full speed,Price,sound,size 2\n"Reed 120",1800,"€ 12.50",27.5,25\nWillow,fast,9,20,25\n',
  );

  test("columns find their figures by name; what no column says is the pattern's; wrong rows say so at their place", () => {
    const mapping = guessMapping(fieldsOf(fan), sheet.columns);
    expect(mapping).toMatchObject({ name: 'Name', price_minor: 'Price', sound_dBA: 'sound' });
    const [good, bad] = partsFromRows(fan, sheet, { ...mapping, fullSpeed_rpm: 'Full speed' });
    expect(good).toMatchObject({
      kind: 'fan',
      name: 'Reed 120',
      fullSpeed_rpm: 1800,
      price_minor: 1250,
      sound_dBA: 27.5,
      size: fan.size,
      points: fan.points,
    });
    expect(validatePart(good)).toMatchObject({ ok: true });
    const validated = validatePart(bad);
    expect(validated.ok ? [] : validated.troubles.map((t) => t.path)).toEqual(['fullSpeed_rpm']);
  });

  test('exported and imported, every part of the catalogue is what it was, to the last field', () => {
    const sheet = readSheet(partsToCsv(CATALOGUE));
    expect(isPartsExport(sheet)).toBe(true);
    const back = partsFromExport(sheet);
    expect(back.length).toBe(CATALOGUE.length);
    CATALOGUE.forEach((part, i) => expect(back[i]).toEqual(JSON.parse(JSON.stringify(part))));
    for (const part of back) expect(validatePart(part)).toMatchObject({ ok: true });
  });

  test('imported beside the catalogue: the same parts are left out, a changed one becomes a custom part', () => {
    const [one, two] = partsFromExport(readSheet(partsToCsv(CATALOGUE.slice(0, 2)))) as [
      Part,
      Part,
    ];
    expect(asCustom([one, { ...two, price_minor: two.price_minor + 1 }], CATALOGUE)).toEqual({
      same: 1,
      parts: [{ ...two, id: `own-${two.id}`, price_minor: two.price_minor + 1 }],
    });
  });

  test('figures are shown as they stand and as they are read', () => {
    const sheet = readSheet('name;a;b\nReed 120;0,095;1.200\n');
    expect(figuresRead(sheet, sheet.decimals.style, 6)).toEqual([
      { text: '0,095', value: 0.095 },
      { text: '1.200', value: 1200 },
    ]);
    expect(figuresRead(sheet, 'point', 6)).toEqual([
      { text: '0,095', value: null },
      { text: '1.200', value: 1.2 },
    ]);
  });

  test('the same through a table program that writes decimal commas', () => {
    const fans = CATALOGUE.filter((p) => p.kind === 'fan'),
      comma = Papa.parse<string[]>(partsToCsv(fans)).data.map((row) =>
        row.map((cell) => (/^-?\d+\.\d+$/.test(cell) ? cell.replace('.', ',') : cell)),
      );
    const sheet = readSheet(Papa.unparse(comma, { delimiter: ';' }));
    expect(sheet.decimals).toMatchObject({ style: 'comma', against: null });
    expect(partsFromExport(sheet)).toEqual(JSON.parse(JSON.stringify(fans)));
  });

  test('a figure below one stays below one', () => {
    const pump = catalogued('pump', 'pump-brook-small'),
      [part] = partsFromRows(pump, readSheet('name,tolerance_mm\nBrook,0.095\n'), {
        name: 'name',
        tolerance_mm: 'tolerance_mm',
      });
    expect(part?.tolerance_mm).toBe(0.095);
  });

  test('words that look like numbers, lists or formulas come back as words', () => {
    const words = ['120', 'true', '[1]', '"x"', "'=a", '=a', ' led ', '', '1,5', '-3'].map(
      (note, i) => ({ ...fan, id: `own-${i}`, note }),
    );
    expect(partsFromExport(readSheet(partsToCsv(words)))).toEqual(
      JSON.parse(JSON.stringify(words)),
    );
  });

  test('a formula in a name is disarmed on the way out', () => {
    expect(partsToCsv([{ ...fan, name: '=HYPERLINK("x")' }])).toContain("'=HYPERLINK");
  });
});

describe('the kind a file names', () => {
  const kind = (text: string): string | null => kindNamed(readSheet(text));

  test('one for all rows, in whatever case; otherwise none', () => {
    expect(kind('Kind;name\nTube;a\n tube ;b\n')).toBe('tube');
    expect(kind('kind,name\ntube,a\nfan,b\n')).toBeNull();
    expect(kind('name,price\na,1\n')).toBeNull();
    expect(kind('kind,name\n,a\n')).toBeNull();
  });
});
