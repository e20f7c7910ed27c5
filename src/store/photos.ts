import { and, asc, count, eq, isNotNull, isNull, lt } from 'drizzle-orm';
import type { PhotoInBackup } from '@/core/backup';
import { BIN_DAYS } from './builds';
import type { Store, Transaction } from './open';
import { builds, photos } from './schema';

/** Photos of a build at most. */
export const MOST_PHOTOS = 300;

export interface ListedPhoto {
  readonly id: string;
  readonly step: string;
  readonly takenAt: number;
}

/** A picture with its media type. */
export interface Photo {
  readonly type: string;
  readonly picture: Uint8Array;
}

const of = (build: string, id: string) => and(eq(photos.buildId, build), eq(photos.id, id));

/** Photos of a build, oldest first, without their pictures. */
export const listPhotos = (store: Store, build: string): Promise<ListedPhoto[]> =>
  store.db
    .select({ id: photos.id, step: photos.step, takenAt: photos.takenAt })
    .from(photos)
    .where(and(eq(photos.buildId, build), isNull(photos.deletedAt)))
    .orderBy(asc(photos.takenAt), photos.id);

/** One picture, taken away or not. */
export async function readPhoto(store: Store, build: string, id: string): Promise<Photo | null> {
  const [row] = await store.db
    .select({ type: photos.type, picture: photos.picture })
    .from(photos)
    .where(of(build, id))
    .limit(1);
  return row ?? null;
}

/** Keeps a photo; sent twice it is kept once. */
export function keepPhoto(
  store: Store,
  build: string,
  photo: ListedPhoto & Photo,
): Promise<'kept' | 'missing' | 'full'> {
  return store.write(async (tx) => {
    const [row] = await tx.select({ id: builds.id }).from(builds).where(eq(builds.id, build));
    if (!row) return 'missing';
    const [counted] = await tx
      .select({ total: count() })
      .from(photos)
      .where(eq(photos.buildId, build));
    if ((counted?.total ?? 0) >= MOST_PHOTOS) return 'full';
    await putPhoto(tx, build, { ...photo, deletedAt: null });
    return 'kept';
  });
}

/** A photo beside those that are there; one of the same id stays. */
export async function putPhoto(
  tx: Transaction,
  build: string,
  { picture, ...photo }: PhotoInBackup,
): Promise<void> {
  await tx
    .insert(photos)
    .values({ buildId: build, ...photo, picture: Buffer.from(picture) })
    .onConflictDoNothing();
}

/** Takes a photo away, or brings it back; false where there is none in that state. */
export function binPhoto(
  store: Store,
  build: string,
  id: string,
  deletedAt: number | null,
): Promise<boolean> {
  const before = deletedAt === null ? isNotNull(photos.deletedAt) : isNull(photos.deletedAt);
  return store.write(async (tx) => {
    const changed = await tx
      .update(photos)
      .set({ deletedAt })
      .where(and(of(build, id), before))
      .returning({ id: photos.id });
    return changed.length > 0;
  });
}

/** Removes for good what was taken away thirty days ago. */
export function emptyPhotoBin(store: Store, now: number): Promise<void> {
  return store.write(async (tx) => {
    await tx.delete(photos).where(lt(photos.deletedAt, now - BIN_DAYS * 86_400_000));
  });
}

/** All photos of a build with their pictures. */
export async function wholePhotos(store: Store, build: string): Promise<readonly PhotoInBackup[]> {
  const rows = await store.db.select().from(photos).where(eq(photos.buildId, build));
  return rows.map(({ buildId: _build, ...photo }) => photo);
}
