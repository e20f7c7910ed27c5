import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type { ReactElement, ReactNode } from 'react';
import { CATALOGUE, demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import type { Design } from '@/core/design';
import { showLanguage, type Writing } from '@/core/messages';
import { loadWriting } from '@/messages';
import { BookDocument } from './book';
import { BuildDocument, ListDocument } from './documents';
import { ChecklistDocument, HandoverDocument, QuoteDocument } from './papers';

type Made = (props: object) => ReactNode;

/** Every text of a paper, in the order it is set; of pages, the number of the page is 1 of 1. */
function textsOf(node: ReactNode): readonly string[] {
  if (typeof node === 'string' || typeof node === 'number') return [String(node)];
  if (Array.isArray(node)) return (node as readonly ReactNode[]).flatMap(textsOf);
  if (typeof node !== 'object' || node === null || !('props' in node)) return [];
  const { type, props } = node as ReactElement<{
    readonly children?: ReactNode;
    readonly title?: string;
    readonly render?: (at: object) => ReactNode;
  }>;
  if (typeof type === 'function') return textsOf((type as Made)(props));
  return [
    ...(props.title === undefined ? [] : [props.title]),
    ...textsOf(props.render?.({ pageNumber: 1, totalPages: 1 })),
    ...textsOf(props.children),
  ];
}

/** Values of these fields are names: chosen by builders and makers, or a source as published. */
const NAMES =
  /^(name|maker|id|part|family|layout|thread|standard|material|source|note|upkeep|connector)$/;
const namesIn = (value: unknown, key = ''): readonly string[] => {
  if (typeof value === 'string') return NAMES.test(key) ? [value] : [];
  if (Array.isArray(value)) return value.flatMap((v) => namesIn(v, key));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([k, v]) => namesIn(v, k));
};
const wordsOf = (text: string): readonly string[] => text.match(/\p{L}+/gu) ?? [];
/** Symbols of units, names of file forms, and the app's own name. */
const SYMBOLS = 'min kPa dBA rpm bar EUR UNC Zephyron'.split(' ');

let pseudo: Writing | null;
beforeAll(async () => {
  pseudo = await loadWriting('en-XA');
});
afterEach(() => showLanguage(null));

describe.each(['fenland-flood-tower', 'pocket-planetarium'])('the papers of %s', (demo) => {
  const papersOf = () => {
    const design = demoDesign(demo) as Design,
      analysis = analyse(design),
      { reports, findings } = analysis;
    return {
      sheet: <BuildDocument design={design} paper={{ reports, findings }} />,
      list: <ListDocument design={design} list={reports.bom} />,
      quote: <QuoteDocument design={design} analysis={analysis} />,
      checklist: <ChecklistDocument design={design} analysis={analysis} />,
      handover: <HandoverDocument design={design} analysis={analysis} />,
      book: <BookDocument design={design} analysis={analysis} size="A4" cover={null} />,
    };
  };

  test('have no word in the code: in the pseudo-language none is plain English', () => {
    showLanguage(pseudo);
    const known = new Set(
      [...namesIn([demoDesign(demo), CATALOGUE]), ...SYMBOLS]
        .flatMap(wordsOf)
        .map((w) => w.toLowerCase()),
    );
    const isPlain = (word: string): boolean =>
      /^[A-Za-z]{3,}$/.test(word) && /[aeiouy]/i.test(word) && !known.has(word.toLowerCase());
    const found = Object.entries(papersOf()).flatMap(([paper, document]) =>
      textsOf(document)
        .filter((text) => wordsOf(text).some(isPlain))
        .map((text) => `${paper}: ${text}`),
    );
    expect([...new Set(found)]).toEqual([]);
  });

  test('say in English what they are, and what they hold', () => {
    const papers = papersOf();
    const said = (paper: keyof typeof papers): string => textsOf(papers[paper]).join('\n');
    expect(said('list')).toContain('parts list');
    for (const head of ['qty', 'part', 'required by', 'each', 'total'])
      expect(said('list').split('\n')).toContain(head);
    for (const loop of (demoDesign(demo) as Design).loops)
      for (const paper of ['sheet', 'book', 'handover'] as const)
        expect(said(paper)).toContain(loop.name);
  });
});
