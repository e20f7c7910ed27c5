import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import { evaluate } from '../analysis';
import { applyEdit, type Design } from '../design';
import { isComponentPart } from '../components';
import { validatePart } from '../validation';
import { guessKind, partOfSheet, readSheet, SHEET_KINDS, type SheetRead } from '.';
import { numberOf, quantitiesIn } from './quantity';
import { SHEETS } from './sheets.fixture';

const valuesOf = (read: SheetRead): Record<string, unknown> =>
  Object.fromEntries(read.found.map((f) => [f.field, f.value]));

describe('numbers as they are written', () => {
  test.each([
    ['4,800', true, 4800],
    ['4.800', true, 4800],
    ['1 200', true, 1200],
    ['1,2', false, 1.2],
    ['0,125', true, 0.125],
    ['0.041', false, 0.041],
    ['1.250', false, 1.25],
    ['12,345.6', false, 12345.6],
    ['12.345,6', false, 12345.6],
    ['-3', false, -3],
  ])('%s is %#', (written, isLarge, value) => {
    expect(numberOf(written, isLarge)).toBeCloseTo(value, 9);
  });

  /** Factors of the units: SI brochure and NIST SP 811, from memory. */
  test.each([
    ['2 bar', 'pressure', 200],
    ['10 psi', 'pressure', 68.94757],
    ['1 gpm', 'flow', 3.785412],
    ['600 l/h', 'flow', 10],
    ['0.9 m³/h', 'flow', 15],
    ['100 CFM', 'air', 169.9011],
    ['1 mmH2O', 'pressure', 0.00980665],
    ['4 inches', 'length', 101.6],
    ['13 ft', 'head', 3.9624],
    ['0.3 l', 'volume', 300],
    ['1.5 kW', 'power', 1500],
  ] as const)('%s', (text, dimension, value) => {
    const [q] = quantitiesIn(text);
    expect((q?.low ?? NaN) * (q?.as[dimension] ?? NaN)).toBeCloseTo(value, 4);
  });

  test('threads, screws and names are no figures', () => {
    expect(quantitiesIn('G1/4 with M3 screws, model X200').map((q) => q.low)).toEqual([4]);
  });
});

describe('fifteen sheets, laid out fifteen ways', () => {
  test.each(SHEETS.map((s) => [s.layout, s] as const))('%s', (_, sheet) => {
    expect(guessKind(sheet.text)).toBe(sheet.kind);
    const read = readSheet(sheet.text, sheet.kind);
    const values = valuesOf(read);
    for (const [field, value] of Object.entries(sheet.tells)) {
      const told = values[field];
      if (typeof value === 'number')
        expect([field, told]).toEqual([field, expect.closeTo(value, 4)]);
      else if (Array.isArray(value))
        expect([field, told]).toEqual([
          field,
          value.map((v: unknown) =>
            Array.isArray(v)
              ? v.map((x: number) => expect.closeTo(x, 4))
              : expect.closeTo(v as number, 3),
          ),
        ]);
      else expect([field, told]).toEqual([field, value]);
    }
    expect(read.asks.map((a) => [a.field, a.why])).toEqual(sheet.asks);
    // Every figure stands beside the words it came from.
    for (const { field, words } of read.found) {
      expect(words.to).toBeGreaterThan(words.from);
      expect([field, sheet.text.slice(words.from, words.to).trim().length > 0]).toEqual([
        field,
        true,
      ]);
    }
    const { part, assumed } = partOfSheet(sheet.kind, 'own-sheet', {
      ...(values as Record<string, number>),
      ...sheet.answers,
    });
    const validated = validatePart(part);
    expect(validated.ok ? [] : validated.troubles).toEqual([]);
    for (const a of assumed) expect(`${a.name}${a.value}`.length).toBeGreaterThan(5);
  });

  test('read again without its figures, a sheet is asked for what is needed, and nothing is made', () => {
    const { asks, found } = readSheet('A pump of a good maker', 'pump');
    expect(asks.map((a) => [a.field, a.why])).toEqual([
      ['fullSpeed', 'missing'],
      ['head', 'missing'],
      ['flow', 'missing'],
      ['power', 'missing'],
      ['size', 'missing'],
    ]);
    expect(found.map((f) => f.field)).toEqual(['name']);
    expect(() => partOfSheet('pump', 'own-x', {})).toThrow(/is missing|are missing/);
  });

  test('what cannot be such a part is asked, not taken', () => {
    const { asks } = readSheet('Pump\nHead: 390 m\nFlow: 17 L/min', 'pump');
    expect(asks.find((a) => a.field === 'head')).toMatchObject({ why: 'out of range' });
    const thread = readSheet('Radiator 3 x 120 mm, ports G 3/8, 16 FPI, 30 mm thick', 'radiator');
    expect(thread.asks).toEqual([expect.objectContaining({ field: 'thread', why: 'unclear' })]);
  });

  test('a radiator from its sheet cools the demo as one of the same figures from the catalogue does', () => {
    const desk = demoDesign('dawn-chorus-desk') as Design;
    const { part } = partOfSheet('radiator', 'own-rad', {
      ...(valuesOf(
        readSheet(
          'Plain 360 radiator\nSize: 397 x 120 x 30 mm\n3 x 120 mm\n16 FPI\nfins: copper\nM3',
          'radiator',
        ),
      ) as Record<string, number>),
    });
    if (!isComponentPart(part)) throw new Error('no component');
    const put = applyEdit(desk, {
      do: 'component.replace',
      component: 'front-radiator',
      part,
    }).design;
    const rise = (d: Design) => evaluate(d).reports.heat.stress.loops[0]?.deltaT_K ?? NaN;
    expect(rise(put)).toBeCloseTo(rise(desk), 3);
  });

  test('no text makes it throw, and every place it names is in the text', () => {
    const bits = fc.constantFrom(
      '12',
      '3 x 120 mm',
      '1,5',
      'mm',
      'W',
      ':',
      '|',
      '\n',
      '\t',
      'head',
      'flow',
      'L/min',
      '–',
      'max',
      'G3/8',
      '…',
      '€',
      '7e9',
      'copper',
      ' ',
    );
    fc.assert(
      fc.property(
        fc.array(bits, { maxLength: 60 }),
        fc.constantFrom(...SHEET_KINDS),
        (list, kind) => {
          const text = list.join(' ');
          const { found, asks } = readSheet(text, kind);
          for (const { words } of found) expect(words.to).toBeLessThanOrEqual(text.length);
          for (const a of asks) for (const w of a.words) expect(w.from).toBeLessThan(w.to);
        },
      ),
      { numRuns: 400 },
    );
  });
});
