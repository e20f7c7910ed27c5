import { and, count, desc, eq, isNotNull, isNull, like, lt, sql } from 'drizzle-orm';
import { keepMoment } from './history';
import type { Store } from './open';
import { buildHistory, builds, photos, seeds } from './schema';

export interface BuildRow {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly document: string;
  readonly demo: string | null;
  readonly updatedAt: number;
  /** What the list of builds shows of it, as JSON; null until it is worked out. */
  readonly summary: string | null;
  /** When it was put into the bin; null while it is not there. */
  readonly deletedAt: number | null;
}

export type Saved =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale'; readonly row: BuildRow }
  | { readonly kind: 'missing' }
  | { readonly kind: 'binned' };

export type ListedBuild = Omit<BuildRow, 'document'>;

/** Measured builds that are looked through for parts. */
const MOST_MEASURED = 50;

export interface PageAsked {
  readonly limit: number;
  readonly offset: number;
  /** Part of a name, in any case; '' for all. */
  readonly search: string;
}

export interface BuildPage {
  readonly rows: readonly ListedBuild[];
  /** Builds that the search finds, on all pages. */
  readonly total: number;
}

const LISTED = {
  id: builds.id,
  name: builds.name,
  revision: builds.revision,
  demo: builds.demo,
  updatedAt: builds.updatedAt,
  summary: builds.summary,
  deletedAt: builds.deletedAt,
};

/** A page of builds, newest change first, without their documents. */
export async function listBuilds(
  store: Store,
  { limit, offset, search }: PageAsked = { limit: -1, offset: 0, search: '' },
): Promise<BuildPage> {
  const named = search.replace(/[\\%_]/g, (c) => `\\${c}`);
  const found = and(
    isNull(builds.deletedAt),
    ...(search === '' ? [] : [sql`${like(builds.name, `%${named}%`)} ESCAPE '\\'`]),
  );
  const [rows, [counted]] = await Promise.all([
    store.db
      .select(LISTED)
      .from(builds)
      .where(found)
      .orderBy(desc(builds.updatedAt), builds.id)
      .limit(limit)
      .offset(offset),
    store.db.select({ total: count() }).from(builds).where(found),
  ]);
  return { rows, total: counted?.total ?? 0 };
}

/** Documents of builds, newest change first, that go by readings of their machine. */
export async function listMeasured(store: Store): Promise<readonly string[]> {
  const rows = await store.db
    .select({ document: builds.document })
    .from(builds)
    .where(
      and(
        isNull(builds.deletedAt),
        sql`json_extract(${builds.document}, '$.choices.work.measured.spreads') IS NOT NULL`,
      ),
    )
    .orderBy(desc(builds.updatedAt), builds.id)
    .limit(MOST_MEASURED);
  return rows.map((r) => r.document);
}

/** What lies in the bin, last deleted first. */
export const listBin = (store: Store): Promise<ListedBuild[]> =>
  store.db
    .select(LISTED)
    .from(builds)
    .where(isNotNull(builds.deletedAt))
    .orderBy(desc(builds.deletedAt));

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

/** A build, in the bin or not. */
export async function readAnyBuild(store: Store, id: string): Promise<BuildRow | null> {
  const [row] = await store.db.select().from(builds).where(eq(builds.id, id)).limit(1);
  return row ?? null;
}

/** A build that is not in the bin. */
export async function readBuild(store: Store, id: string): Promise<BuildRow | null> {
  const row = await readAnyBuild(store, id);
  return row?.deletedAt === null ? row : null;
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
    await keepMoment(tx, row.id, 1, row.document, now);
    return { ...full, summary: null, deletedAt: null };
  });
}

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
    if (row.deletedAt !== null) return { kind: 'binned' };
    if (row.revision !== revision) return { kind: 'stale', row };
    await tx
      .update(builds)
      .set({ ...next, revision: revision + 1, updatedAt: now, summary: null })
      .where(eq(builds.id, id));
    await keepMoment(tx, id, revision + 1, next.document, now);
    return { kind: 'saved', revision: revision + 1 };
  });
}

/** Days that what was deleted lies in the bin. */
export const BIN_DAYS = 30;

/** Puts a build into the bin; false when it is not on its page. */
export function binBuild(store: Store, id: string, now: number): Promise<boolean> {
  return store.write(async (tx) => {
    const binned = await tx
      .update(builds)
      .set({ deletedAt: now })
      .where(and(eq(builds.id, id), isNull(builds.deletedAt)))
      .returning({ id: builds.id });
    return binned.length > 0;
  });
}

/** Takes a build out of the bin; false when it is not there. */
export function restoreBuild(store: Store, id: string): Promise<boolean> {
  return store.write(async (tx) => {
    const back = await tx
      .update(builds)
      .set({ deletedAt: null })
      .where(and(eq(builds.id, id), isNotNull(builds.deletedAt)))
      .returning({ id: builds.id });
    return back.length > 0;
  });
}

/** Removes a build in the bin for good, its history too; false when it is not in the bin. */
export function removeBuild(store: Store, id: string): Promise<boolean> {
  return store.write(async (tx) => {
    const [row] = await tx
      .select({ id: builds.id })
      .from(builds)
      .where(and(eq(builds.id, id), isNotNull(builds.deletedAt)));
    if (!row) return false;
    await tx.delete(buildHistory).where(eq(buildHistory.buildId, id));
    await tx.delete(photos).where(eq(photos.buildId, id));
    await tx.delete(builds).where(eq(builds.id, id));
    return true;
  });
}

/** Removes for good what has lain in the bin for its thirty days. Returns how many. */
export async function emptyBin(store: Store, now: number): Promise<number> {
  const past = now - BIN_DAYS * 86_400_000;
  const due = await store.db
    .select({ id: builds.id })
    .from(builds)
    .where(lt(builds.deletedAt, past));
  for (const { id } of due) await removeBuild(store, id);
  return due.length;
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
      await keepMoment(tx, d.name, 1, d.document, now);
    }
    return fresh.length;
  });
}
