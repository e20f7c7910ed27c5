import { and, desc, eq, lte } from 'drizzle-orm';
import type { Store } from './open';
import { buildHistory, builds, seeds } from './schema';

export interface BuildRow {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly document: string;
  readonly demo: string | null;
  readonly updatedAt: number;
  /** What the list of builds shows of it, as JSON; null until it is worked out. */
  readonly summary: string | null;
}

export type Saved =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale'; readonly row: BuildRow }
  | { readonly kind: 'missing' };

export type ListedBuild = Omit<BuildRow, 'document'>;

/** All builds, newest change first, without their documents. */
export function listBuilds(store: Store): Promise<ListedBuild[]> {
  const { id, name, revision, demo, updatedAt, summary } = builds;
  return store.db
    .select({ id, name, revision, demo, updatedAt, summary })
    .from(builds)
    .orderBy(desc(builds.updatedAt));
}

/** Stores what the list shows of a revision; nothing where the build has moved on. */
export function saveSummary(
  store: Store,
  id: string,
  revision: number,
  summary: string,
): Promise<void> {
  return store.write(async (tx) => {
    await tx
      .update(builds)
      .set({ summary })
      .where(and(eq(builds.id, id), eq(builds.revision, revision)));
  });
}

export async function readBuild(store: Store, id: string): Promise<BuildRow | null> {
  const [row] = await store.db.select().from(builds).where(eq(builds.id, id)).limit(1);
  return row ?? null;
}

export function createBuild(
  store: Store,
  row: {
    readonly id: string;
    readonly name: string;
    readonly document: string;
    readonly demo?: string;
  },
  now: number,
): Promise<BuildRow> {
  return store.write(async (tx) => {
    const full = { ...row, demo: row.demo ?? null, revision: 1, createdAt: now, updatedAt: now };
    await tx.insert(builds).values(full);
    await tx
      .insert(buildHistory)
      .values({ buildId: row.id, revision: 1, document: row.document, savedAt: now });
    return { ...full, summary: null };
  });
}

/** Revisions kept of each build. */
const HISTORY_LENGTH = 200;

/** One transaction: only the revision the change was made on may be replaced. */
export function saveBuild(
  store: Store,
  id: string,
  revision: number,
  next: { readonly name: string; readonly document: string },
  now: number,
): Promise<Saved> {
  return store.write(async (tx): Promise<Saved> => {
    const [row] = await tx.select().from(builds).where(eq(builds.id, id)).limit(1);
    if (!row) return { kind: 'missing' };
    if (row.revision !== revision) return { kind: 'stale', row };
    await tx
      .update(builds)
      .set({ ...next, revision: revision + 1, updatedAt: now, summary: null })
      .where(eq(builds.id, id));
    await tx
      .insert(buildHistory)
      .values({ buildId: id, revision: revision + 1, document: next.document, savedAt: now });
    const old = await tx
      .select({ revision: buildHistory.revision })
      .from(buildHistory)
      .where(eq(buildHistory.buildId, id))
      .orderBy(desc(buildHistory.revision))
      .offset(HISTORY_LENGTH)
      .limit(1);
    const [first] = old;
    if (first)
      await tx
        .delete(buildHistory)
        .where(and(eq(buildHistory.buildId, id), lte(buildHistory.revision, first.revision)));
    return { kind: 'saved', revision: revision + 1 };
  });
}

export function removeBuild(store: Store, id: string): Promise<boolean> {
  return store.write(async (tx) => {
    await tx.delete(buildHistory).where(eq(buildHistory.buildId, id));
    const gone = await tx.delete(builds).where(eq(builds.id, id)).returning({ id: builds.id });
    return gone.length > 0;
  });
}

/**
 * Puts demo builds in that were never put in before; a user's own builds and deletions are left
 * alone. Returns how many.
 */
export function seedBuilds(
  store: Store,
  demos: readonly { readonly name: string; readonly title: string; readonly document: string }[],
  now: number,
): Promise<number> {
  return store.write(async (tx) => {
    const done = new Set((await tx.select().from(seeds)).map((s) => s.name));
    const fresh = demos.filter((d) => !done.has(d.name));
    for (const [i, d] of fresh.entries()) {
      await tx.insert(seeds).values({ name: d.name, at: now });
      const [taken] = await tx
        .select({ id: builds.id })
        .from(builds)
        .where(eq(builds.id, d.name))
        .limit(1);
      if (taken) continue;
      await tx.insert(builds).values({
        id: d.name,
        name: d.title,
        revision: 1,
        document: d.document,
        demo: d.name,
        createdAt: now - i,
        updatedAt: now - i,
      });
      await tx
        .insert(buildHistory)
        .values({ buildId: d.name, revision: 1, document: d.document, savedAt: now });
    }
    return fresh.length;
  });
}
