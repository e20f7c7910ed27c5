import { renderToBuffer } from '@react-pdf/renderer';
import type { Build } from '@/core/build';
import { workOut } from '@/core/evaluate';
import { routeBuild } from '@/core/route';
import { BuildDocument, ListDocument } from './documents';

/** A saved build on paper, its runs laid first: the parts list alone, or the whole sheet. */
export function buildPdf(build: Build, of: 'list' | 'sheet'): Promise<Buffer> {
  const workings = workOut(build, { routed: build.case ? routeBuild(build) : null });
  return renderToBuffer(
    of === 'list' ? (
      <ListDocument build={build} list={workings.reports.list} />
    ) : (
      <BuildDocument build={build} workings={workings} />
    ),
  );
}
