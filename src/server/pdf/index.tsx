import { renderToBuffer } from '@react-pdf/renderer';
import type { Build } from '@/core/design';
import { inPool } from '../pool';
import { BuildDocument, ListDocument } from './documents';

/** Longest that computing one build may take. */
const COMPUTE_MS = 30_000;

/** A saved build on paper: the parts list alone, or the whole sheet. */
export async function buildPdf(build: Build, of: 'list' | 'sheet'): Promise<Buffer> {
  const paper = await inPool('paper', { build }, COMPUTE_MS);
  return renderToBuffer(
    of === 'list' ? (
      <ListDocument build={build} list={paper.reports.list} />
    ) : (
      <BuildDocument build={build} paper={paper} />
    ),
  );
}
