import { msg } from '@/core/messages';
import { ok, refuse, type Answer } from './answer';
import { inPool } from './pool';
import { pooled } from './pooled';
import { theStore } from './store';

/** Longest that packing or unpacking a whole database may take, ms. */
const PACK_MS = 120_000;
/** Largest backup that is taken in, bytes. */
export const MOST_BACKUP_BYTES = 300_000_000;

/** Everything as one ZIP: name and bytes. */
export const backupZip = (): Promise<Answer> =>
  pooled(async () => {
    const backup = await (await theStore()).backUp();
    const now = Date.now();
    return ok({
      name: `zephyron-${new Date(now).toISOString().slice(0, 10)}.zip`,
      zip: await inPool('pack', { backup, now }, PACK_MS),
    });
  });

/** Puts a backup back beside what is there; nothing here is lost. */
export const restoreZip = (zip: Uint8Array): Promise<Answer> =>
  pooled(async () => {
    const unpacked = await inPool('unpack', { zip }, PACK_MS);
    if (!unpacked.ok) return refuse(400, msg`This backup cannot be read.`, unpacked.troubles);
    return ok(await (await theStore()).restoreBackup(unpacked.value, Date.now()));
  });
