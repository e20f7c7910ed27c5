import { asc, eq } from 'drizzle-orm';
import type { Store } from './open';
import { parts } from './schema';

export interface PartRow {
  readonly id: string;
  readonly kind: string;
  readonly document: string;
  readonly updatedAt: number;
}

/** The builder's own parts, by id. */
export const listParts = (store: Store): Promise<PartRow[]> =>
  store.db.select().from(parts).orderBy(asc(parts.id));

/** Puts a part in, or a newer one in its place. */
export function savePart(
  store: Store,
  row: { readonly id: string; readonly kind: string; readonly document: string },
  now: number,
): Promise<void> {
  return store.write(async (tx) => {
    const set = { kind: row.kind, document: row.document, updatedAt: now };
    await tx
      .insert(parts)
      .values({ ...row, updatedAt: now })
      .onConflictDoUpdate({ target: parts.id, set });
  });
}

export function removePart(store: Store, id: string): Promise<boolean> {
  return store.write(
    async (tx) =>
      (await tx.delete(parts).where(eq(parts.id, id)).returning({ id: parts.id })).length > 0,
  );
}
