import { renderToBuffer } from '@react-pdf/renderer';
import { analyse } from '@/core/analysis';
import type { Design } from '@/core/design';
import { BuildDocument, ListDocument } from './documents';
import { ChecklistDocument, HandoverDocument, QuoteDocument } from './papers';

export type PaperKind = 'sheet' | 'list' | 'quote' | 'handover' | 'checklist';

export interface PdfAsked {
  readonly design: Design;
  readonly of: PaperKind;
}

/** Entry of a pool thread: a build on paper, whole, or one of its other papers. */
export default async function print({ design, of }: PdfAsked): Promise<Uint8Array> {
  const analysis = analyse(design);
  const { reports, findings } = analysis;
  const paper = {
    sheet: () => <BuildDocument design={design} paper={{ reports, findings }} />,
    list: () => <ListDocument design={design} list={reports.bom} />,
    quote: () => <QuoteDocument design={design} analysis={analysis} />,
    checklist: () => <ChecklistDocument design={design} analysis={analysis} />,
    handover: () => <HandoverDocument design={design} analysis={analysis} />,
  }[of];
  return new Uint8Array(await renderToBuffer(paper()));
}
