import { analyse } from '@/core/analysis';
import type { Design } from '@/core/design';
import { showLanguage } from '@/core/messages';
import { showUnits, type UnitSystem } from '@/core/units';
import { isLanguage, loadWriting } from '@/messages';
import { BookDocument, type PaperSize } from './book';
import { readyFonts } from './fonts';
import { BuildDocument, ListDocument } from './documents';
import { ChecklistDocument, HandoverDocument, QuoteDocument } from './papers';
import { printed } from './print';

export type PaperKind = 'sheet' | 'list' | 'quote' | 'handover' | 'checklist' | 'book';

export interface PdfAsked {
  readonly design: Design;
  readonly of: PaperKind;
  /** What its words are written in; metric where nothing is said. */
  readonly units?: UnitSystem;
  /** Of its words; English where nothing is said. */
  readonly language?: string;
  /** Of the book; A4 where nothing is said. */
  readonly size?: PaperSize;
  /** Of the book: the scene as a PNG. */
  readonly cover?: Uint8Array;
}

/** Entry of a pool thread: a build on paper, whole, or one of its other papers. */
export default async function print({
  design,
  of,
  units,
  language,
  size,
  cover,
}: PdfAsked): Promise<Uint8Array> {
  showUnits(units ?? 'metric');
  showLanguage(isLanguage(language) ? await loadWriting(language) : null);
  readyFonts();
  const analysis = analyse(design);
  const { reports, findings } = analysis;
  const paper = {
    sheet: () => <BuildDocument design={design} paper={{ reports, findings }} />,
    list: () => <ListDocument design={design} list={reports.bom} />,
    quote: () => <QuoteDocument design={design} analysis={analysis} />,
    checklist: () => <ChecklistDocument design={design} analysis={analysis} />,
    book: () => (
      <BookDocument design={design} analysis={analysis} size={size ?? 'A4'} cover={cover ?? null} />
    ),
    handover: () => <HandoverDocument design={design} analysis={analysis} />,
  }[of];
  return printed(paper());
}
