import { eq } from 'drizzle-orm';
import type {
  Backup,
  BuildInBackup,
  MomentInBackup,
  PartInBackup,
  PhotoInBackup,
} from '@/core/backup';
import { msg } from '@/core/messages';
import { wholeHistory, packed } from './history';
import type { Store, Transaction } from './open';
import { putPhoto, wholePhotos } from './photos';
import { buildHistory, builds, parts, retired, seeds } from './schema';

/** What came of putting a backup back. */
export interface Restored {
  /** Builds that were not there. */
  readonly added: number;
  /** Builds that stand as they are: the same, or a newer state of the one in the backup. */
  readonly kept: number;
  /** Builds brought forward: the one here was an earlier state of the one in the backup. */
  readonly advanced: number;
  /** Builds that differ from the one here: put in beside it, as a copy. */
  readonly copied: number;
  readonly parts: number;
}

export async function backUp(store: Store): Promise<Backup> {
  const rows = await store.db.select().from(builds);
  const whole: BuildInBackup[] = [];
  for (const { summary: _summary, ...row } of rows)
    whole.push({
      ...row,
      history: await wholeHistory(store, row.id),
      photos: await wholePhotos(store, row.id),
    });
  return {
    builds: whole,
    parts: await store.db.select().from(parts),
    retired: await store.db.select().from(retired),
    seeds: await store.db.select().from(seeds),
  };
}

/**
 * Puts a backup back beside what is there; nothing here is lost. Of parts the newer stands. In one
 * transaction: all or nothing.
 */
export function restoreBackup(store: Store, backup: Backup, now: number): Promise<Restored> {
  return store.write(async (tx) => {
    const came = { added: 0, kept: 0, advanced: 0, copied: 0 };
    for (const build of backup.builds) came[await mergeBuild(tx, build, now)] += 1;
    let changed = 0;
    for (const part of backup.parts) if (await mergePart(tx, part)) changed += 1;
    for (const row of backup.retired) await tx.insert(retired).values(row).onConflictDoNothing();
    for (const row of backup.seeds) await tx.insert(seeds).values(row).onConflictDoNothing();
    return { ...came, parts: changed };
  });
}

async function mergeBuild(
  tx: Transaction,
  theirs: BuildInBackup,
  now: number,
): Promise<'added' | 'kept' | 'advanced' | 'copied'> {
  const { history, photos, ...row } = theirs;
  const [ours] = await tx.select().from(builds).where(eq(builds.id, row.id)).limit(1);
  if (!ours) {
    await tx.insert(builds).values(row);
    await addMoments(tx, row.id, history);
    await addPhotos(tx, row.id, photos);
    return 'added';
  }
  // Photos of the same build go together, whatever became of its document.
  await addPhotos(tx, row.id, photos);
  if (ours.document === row.document) {
    await addMoments(tx, row.id, history);
    return 'kept';
  }
  const own = await tx.select().from(buildHistory).where(eq(buildHistory.buildId, row.id));
  const isPacked = packed(row.document);
  if (own.some((m) => m.document === row.document || m.packed?.equals(isPacked))) return 'kept';
  if (history.some((m) => m.document === ours.document)) {
    await tx
      .update(builds)
      .set({ ...row, revision: Math.max(row.revision, ours.revision + 1), summary: null })
      .where(eq(builds.id, row.id));
    await addMoments(tx, row.id, history);
    return 'advanced';
  }
  await addCopy(tx, theirs, now);
  return 'copied';
}

/** Moments that are not there yet; those of the same number stay as they are here. */
async function addMoments(
  tx: Transaction,
  id: string,
  history: readonly MomentInBackup[],
): Promise<void> {
  for (const { revision, savedAt, name, document } of history)
    await tx
      .insert(buildHistory)
      .values({ buildId: id, revision, savedAt, name, document: '', packed: packed(document) })
      .onConflictDoNothing();
}

async function addPhotos(
  tx: Transaction,
  id: string,
  photos: readonly PhotoInBackup[],
): Promise<void> {
  for (const photo of photos) await putPhoto(tx, id, photo);
}

/** The build of the backup beside another of the same id; the same backup twice makes one copy. */
async function addCopy(
  tx: Transaction,
  { history, photos, ...row }: BuildInBackup,
  now: number,
): Promise<void> {
  const id = `${row.id.slice(0, 80)}-r${row.revision}-${row.updatedAt.toString(36)}`;
  const [there] = await tx.select({ id: builds.id }).from(builds).where(eq(builds.id, id)).limit(1);
  if (there) return;
  const name = msg`${row.name.slice(0, 60)}, from backup`;
  await tx.insert(builds).values({ ...row, id, name, demo: null, updatedAt: now });
  await addMoments(tx, id, history);
  await addPhotos(tx, id, photos);
}

async function mergePart(tx: Transaction, theirs: PartInBackup): Promise<boolean> {
  const [ours] = await tx.select().from(parts).where(eq(parts.id, theirs.id)).limit(1);
  if (ours && ours.updatedAt >= theirs.updatedAt) return false;
  const { id: _id, ...set } = theirs;
  await tx.insert(parts).values(theirs).onConflictDoUpdate({ target: parts.id, set });
  return true;
}
