import {
  backupZip,
  download,
  MOST_BACKUP_BYTES,
  readBytes,
  respond,
  restoreZip,
  safely,
} from '@/server';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';

/** Everything, as one ZIP of open JSON. */
export const GET = (): Promise<Response> =>
  safely(async () => {
    const answer = await backupZip();
    if (answer.status !== 200) return respond(answer);
    const { name, zip } = answer.body as { readonly name: string; readonly zip: Uint8Array };
    return download(zip, name, 'application/zip');
  });

/** Puts such a ZIP back beside what is there: `{ added, kept, advanced, copied, parts }`. */
export const POST = (request: Request): Promise<Response> =>
  safely(async () => {
    const read = await readBytes(
      request,
      /^application\/zip\b/,
      msg`a ZIP (content-type: application/zip)`,
      MOST_BACKUP_BYTES,
    );
    return respond(read.ok ? await restoreZip(read.data) : read.answer);
  });
