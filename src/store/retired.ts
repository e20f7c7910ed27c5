import { asc, eq } from 'drizzle-orm';
import type { Store } from './open';
import { retired } from './schema';

/** Numbers of parts taken out of use. */
export const listRetired = async (store: Store): Promise<string[]> =>
  (await store.db.select({ id: retired.id }).from(retired).orderBy(asc(retired.id))).map(
    (r) => r.id,
  );

export function retirePart(store: Store, id: string, now: number): Promise<void> {
  return store.write(async (tx) => {
    await tx.insert(retired).values({ id, at: now }).onConflictDoNothing();
  });
}

export function restorePart(store: Store, id: string): Promise<boolean> {
  return store.write(
    async (tx) =>
      (await tx.delete(retired).where(eq(retired.id, id)).returning({ id: retired.id })).length > 0,
  );
}
