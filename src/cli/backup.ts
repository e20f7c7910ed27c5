import { readFileSync, writeFileSync } from 'node:fs';
import { backupFromZip, backupToZip } from '@/format';
import { localClient, openStore, StoreTroubleError, type StoreClient } from '@/store';

export interface Ended {
  readonly code: number;
  readonly out: string;
  readonly err: string;
}

const failed = (err: string): Ended => ({ code: 1, out: '', err: `${err}\n` });

/** `backup FILE.zip` and `restore FILE.zip`: the database as one file of open JSON, and back. */
export async function runBackup(
  verb: 'backup' | 'restore',
  args: readonly string[],
): Promise<Ended> {
  const [file] = args;
  if (file === undefined || args.length > 1) return failed(`Say one file: ${verb} FILE.zip`);
  let store: StoreClient;
  try {
    store = localClient(await openStore());
  } catch (error) {
    if (error instanceof StoreTroubleError) return failed(error.message);
    throw error;
  }
  try {
    return verb === 'backup' ? await backUpTo(store, file) : await restoreFrom(store, file);
  } finally {
    await store.close();
  }
}

async function backUpTo(store: StoreClient, file: string): Promise<Ended> {
  const backup = await store.backUp();
  const zip = backupToZip(backup, Date.now());
  try {
    writeFileSync(file, zip, { flag: 'wx' });
  } catch (error) {
    return failed(`${file} was not written: ${(error as Error).message}`);
  }
  const { builds, parts } = backup;
  return {
    code: 0,
    out: `${builds.length} builds, ${parts.length} parts of your own, ${zip.byteLength} bytes: ${file}\n`,
    err: '',
  };
}

async function restoreFrom(store: StoreClient, file: string): Promise<Ended> {
  let zip: Uint8Array;
  try {
    zip = readFileSync(file);
  } catch (error) {
    return failed(`${file} cannot be read: ${(error as Error).message}`);
  }
  const read = backupFromZip(zip);
  if (!read.ok)
    return failed(
      read.troubles.map(({ path, message }) => `${path ? `${path}: ` : ''}${message}`).join('\n'),
    );
  const { added, kept, advanced, copied, parts } = await store.restoreBackup(
    read.value,
    Date.now(),
  );
  return {
    code: 0,
    out: `${added} builds added, ${advanced} brought forward, ${copied} put beside as a copy, ${kept} already there, ${parts} parts of your own\n`,
    err: '',
  };
}
