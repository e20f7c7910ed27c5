import { renderToBuffer } from '@react-pdf/renderer';
import { analyse } from '@/core/analysis';
import type { Design } from '@/core/design';
import { BuildDocument, ListDocument } from './documents';

export interface PdfAsked {
  readonly design: Design;
  readonly of: 'list' | 'sheet';
}

/** Entry of a pool thread: a build on paper, the parts list alone or the whole sheet. */
export default async function print({ design, of }: PdfAsked): Promise<Uint8Array> {
  const { reports, findings } = analyse(design);
  return new Uint8Array(
    await renderToBuffer(
      of === 'list' ? (
        <ListDocument design={design} list={reports.bom} />
      ) : (
        <BuildDocument design={design} paper={{ reports, findings }} />
      ),
    ),
  );
}
