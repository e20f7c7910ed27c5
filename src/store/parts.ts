import { and, asc, desc, eq, isNotNull, isNull, lt } from 'drizzle-orm';
import { BIN_DAYS } from './builds';
import type { Store } from './open';
import { parts } from './schema';

export interface PartRow {
  readonly id: string;
  readonly kind: string;
  readonly document: string;
  readonly updatedAt: number;
  /** When it was put into the bin; null while it is offered. */
  readonly deletedAt: number | null;
}

/** The builder's own parts, by id. */
export const listParts = (store: Store): Promise<PartRow[]> =>
  store.db.select().from(parts).where(isNull(parts.deletedAt)).orderBy(asc(parts.id));

/** Own parts in the bin, last deleted first. */
export const listBinnedParts = (store: Store): Promise<PartRow[]> =>
  store.db.select().from(parts).where(isNotNull(parts.deletedAt)).orderBy(desc(parts.deletedAt));

/** Puts a part in, or a newer one in its place; one in the bin comes back. */
export function savePart(
  store: Store,
  row: { readonly id: string; readonly kind: string; readonly document: string },
  now: number,
): Promise<void> {
  return store.write(async (tx) => {
    const set = { kind: row.kind, document: row.document, updatedAt: now, deletedAt: null };
    await tx
      .insert(parts)
      .values({ ...row, updatedAt: now })
      .onConflictDoUpdate({ target: parts.id, set });
  });
}

/** Puts a part into the bin; false when it is not among the parts. */
export function binPart(store: Store, id: string, now: number): Promise<boolean> {
  return store.write(async (tx) => {
    const binned = await tx
      .update(parts)
      .set({ deletedAt: now })
      .where(and(eq(parts.id, id), isNull(parts.deletedAt)))
      .returning({ id: parts.id });
    return binned.length > 0;
  });
}

/** Takes a part out of the bin; false when it is not there. */
export function unbinPart(store: Store, id: string): Promise<boolean> {
  return store.write(async (tx) => {
    const back = await tx
      .update(parts)
      .set({ deletedAt: null })
      .where(and(eq(parts.id, id), isNotNull(parts.deletedAt)))
      .returning({ id: parts.id });
    return back.length > 0;
  });
}

/** Removes for good the parts that have lain in the bin for its thirty days. */
export function emptyPartBin(store: Store, now: number): Promise<void> {
  return store.write(async (tx) => {
    await tx.delete(parts).where(lt(parts.deletedAt, now - BIN_DAYS * 86_400_000));
  });
}
