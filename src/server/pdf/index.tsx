import { renderToBuffer } from '@react-pdf/renderer';
import type { Design } from '@/core/design';
import { inPool } from '../pool';
import { BuildDocument, ListDocument } from './documents';

/** Longest that computing one build may take. */
const COMPUTE_MS = 30_000;

/** A saved build on paper: the parts list alone, or the whole sheet. */
export async function buildPdf(design: Design, of: 'list' | 'sheet'): Promise<Buffer> {
  const paper = await inPool('paper', { design }, COMPUTE_MS);
  return renderToBuffer(
    of === 'list' ? (
      <ListDocument design={design} list={paper.reports.bom} />
    ) : (
      <BuildDocument design={design} paper={paper} />
    ),
  );
}
