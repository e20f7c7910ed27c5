import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  decodePDFRawStream,
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFRawStream,
  PDFString,
} from 'pdf-lib';
import { demoDesign } from '@/catalogue';
import type { Design } from '@/core/design';
import { closePool, printed } from '../pool';
import type { PaperKind } from './worker';

/** A structure element as a foreign reader finds it (ISO 32000-1, 14.7.2). */
interface Found {
  readonly role: string;
  readonly alt: string | null;
  readonly scope: string | null;
  /** How many pieces of pages it holds itself. */
  readonly pieces: number;
  readonly inside: readonly Found[];
}

const nameOf = (value: unknown): string => (value instanceof PDFName ? value.decodeText() : '');
const textOf = (value: unknown): string | null =>
  value instanceof PDFString || value instanceof PDFHexString ? value.decodeText() : null;

function foundIn(element: PDFDict): Found {
  const kids = element.lookup(PDFName.of('K'));
  const list = kids instanceof PDFArray ? kids.asArray().map((_, i) => kids.lookup(i)) : [];
  const elements = list.filter((k): k is PDFDict => k instanceof PDFDict && k.has(PDFName.of('S')));
  const attributes = element.lookup(PDFName.of('A'));
  return {
    role: nameOf(element.get(PDFName.of('S'))),
    alt: textOf(element.lookup(PDFName.of('Alt'))),
    scope:
      attributes instanceof PDFDict ? nameOf(attributes.get(PDFName.of('Scope'))) || null : null,
    pieces: list.length - elements.length,
    inside: elements.map(foundIn),
  };
}

/** The operators of each page, as text. */
const pagesOf = (file: PDFDocument): readonly string[] =>
  file.getPages().map(({ node }) => {
    const contents = node.Contents();
    const streams = contents instanceof PDFArray ? contents.asArray() : [contents];
    return streams
      .map((s) => file.context.lookup(s as never))
      .map((s) => (s instanceof PDFRawStream ? decodePDFRawStream(s).decode() : new Uint8Array()))
      .map((bytes) => Buffer.from(bytes).toString('latin1'))
      .join('\n');
  });

const all = (found: Found): readonly Found[] => [found, ...found.inside.flatMap(all)];
const withRole = (found: Found, role: string): readonly Found[] =>
  all(found).filter((f) => f.role === role);

async function paperOf(of: PaperKind): Promise<{ file: PDFDocument; document: Found }> {
  const design = demoDesign('fenland-flood-tower') as Design;
  const file = await PDFDocument.load(await printed({ design, of }, 60_000), {
    updateMetadata: false,
  });
  const root = file.catalog.lookup(PDFName.of('StructTreeRoot'), PDFDict);
  const document = root.lookup(PDFName.of('K'), PDFArray).lookup(0, PDFDict);
  return { file, document: foundIn(document) };
}

afterAll(closePool);

describe('the build book as a program that reads aloud finds it (ISO 32000-1, 14.8)', () => {
  let book: Awaited<ReturnType<typeof paperOf>>;
  beforeAll(async () => {
    book = await paperOf('book');
  }, 60_000);

  test('it says that it is tagged, in which language, and its title', () => {
    const { catalog } = book.file;
    const marked = catalog.lookup(PDFName.of('MarkInfo'), PDFDict).get(PDFName.of('Marked'));
    expect(String(marked)).toBe('true');
    expect(textOf(catalog.lookup(PDFName.of('Lang')))).toBe('en');
    expect(book.file.getTitle()).toBe('Fenland flood tower: build book');
    expect(book.file.getProducer()).toBe('Zephyron');
  });

  test('one heading of the first rank, and one of the second before every table', () => {
    const { document } = book;
    expect(document.role).toBe('Document');
    expect(withRole(document, 'H1')).toHaveLength(1);
    const order = document.inside.map((f) => f.role);
    order.forEach((role, i) => {
      if (role === 'Table') expect(order[i - 1]).toBe('H2');
    });
    expect(withRole(document, 'Table').length).toBeGreaterThan(20);
  });

  test('a table is its rows, the first of heads for their columns; each row has a cell for each', () => {
    for (const table of withRole(book.document, 'Table')) {
      const [head, ...rows] = table.inside;
      expect(head?.inside.map((c) => [c.role, c.scope])).toEqual(
        head?.inside.map(() => ['TH', 'Column']),
      );
      expect(rows.length).toBeGreaterThan(0);
      for (const row of rows) {
        expect([row.role, row.pieces]).toEqual(['TR', 0]);
        expect(row.inside.map((c) => c.role)).toEqual(head?.inside.map(() => 'TD'));
      }
    }
  });

  test('every picture says in words what it shows', () => {
    const pictures = withRole(book.document, 'Figure').map((f) => f.alt);
    expect(pictures.length).toBeGreaterThan(3);
    for (const words of pictures) expect(words).toMatch(/^(Elevation, .+|Curves of coolant ΔT)/);
    expect(pictures.join()).toMatch(
      /As set now: \+[\d.]+ K at [\d.]+ dBA; required: at most \+[\d.]+ K/,
    );
  });

  test('whatever is written on a page is a piece of the structure or stands outside it as said', () => {
    const pages = pagesOf(book.file);
    const marks = pages.map((page) => (page.match(/\/MCID \d+/g) ?? []).length);
    const held = all(book.document).reduce((sum, f) => sum + f.pieces, 0);
    expect(held).toBe(marks.reduce((sum, n) => sum + n, 0));
    for (const page of pages) {
      let open = 0;
      for (const [operator] of page.matchAll(/\b(BDC|BMC|EMC|TJ|Tj)\b/g)) {
        if (operator.startsWith('T')) expect(open).toBe(1);
        else open += operator === 'EMC' ? -1 : 1;
        // Nothing stands inside another, and nothing is open at the page's end.
        expect(open === 0 || open === 1).toBe(true);
      }
      expect(open).toBe(0);
    }
  });

  test('a piece finds its element by its number, as the parent tree has it', () => {
    const root = book.file.catalog.lookup(PDFName.of('StructTreeRoot'), PDFDict);
    const nums = root
      .lookup(PDFName.of('ParentTree'), PDFDict)
      .lookup(PDFName.of('Nums'), PDFArray);
    for (const { node } of book.file.getPages()) {
      const key = node.lookup(PDFName.of('StructParents'), PDFNumber).asNumber();
      const at = nums.asArray().findIndex((n) => n instanceof PDFNumber && n.asNumber() === key);
      const elements = nums.lookup(at + 1, PDFArray);
      expect(elements.size()).toBeGreaterThan(0);
      elements.asArray().forEach((_, i) => {
        expect(elements.lookup(i, PDFDict).has(PDFName.of('S'))).toBe(true);
      });
    }
  });
});

test('a table that goes on over the page is one table', async () => {
  const { file, document } = await paperOf('checklist');
  expect(file.getPageCount()).toBeGreaterThan(1);
  expect(withRole(document, 'Table')).toHaveLength(2);
  const steps = withRole(document, 'Table')[1];
  expect(steps?.inside.length).toBeGreaterThan(20);
}, 60_000);
