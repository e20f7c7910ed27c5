import { deflateRawSync, inflateRawSync } from 'node:zlib';
import { and, desc, eq, inArray } from 'drizzle-orm';
import type { MomentInBackup } from '@/core/backup';
import type { Store, Transaction } from './open';
import { buildHistory } from './schema';

const MINUTE = 60_000,
  HOUR = 60 * MINUTE,
  DAY = 24 * HOUR;

/** The newest saves are all kept. */
const NEWEST_KEPT = 50;
/** Of older ones the last of each span is kept; the spans grow with age. */
const SPANS: readonly { readonly until: number; readonly span: number }[] = [
  { until: DAY, span: 10 * MINUTE },
  { until: 7 * DAY, span: HOUR },
  { until: Infinity, span: DAY },
];

export interface Moment {
  readonly revision: number;
  readonly savedAt: number;
  /** What the builder calls it; null for one that is only a save. */
  readonly name: string | null;
}

export const packed = (document: string): Buffer => deflateRawSync(document);

const unpacked = (row: { readonly document: string; readonly packed: Buffer | null }): string =>
  row.packed ? inflateRawSync(row.packed).toString('utf8') : row.document;

/**
 * Revisions that the rule lets go: all but the newest fifty, the named, the first, and the last of
 * each ten minutes of the day past, of each hour of the week past, of each day before.
 */
export function prunable(moments: readonly Moment[], now: number): readonly number[] {
  const newestFirst = [...moments].sort((a, b) => b.revision - a.revision);
  const first = newestFirst.at(-1)?.revision;
  const spans = new Set<string>();
  return newestFirst.flatMap(({ revision, savedAt, name }, i) => {
    const age = now - savedAt;
    const { span } = SPANS.find(({ until }) => age < until) ?? { span: DAY };
    const key = `${span}:${Math.floor(savedAt / span)}`;
    const isLastOfSpan = !spans.has(key);
    spans.add(key);
    const stays = i < NEWEST_KEPT || name !== null || revision === first || isLastOfSpan;
    return stays ? [] : [revision];
  });
}

const MOMENT = {
  revision: buildHistory.revision,
  savedAt: buildHistory.savedAt,
  name: buildHistory.name,
};

/** Puts a revision into the history and lets go what the rule lets go. */
export async function keepMoment(
  tx: Transaction,
  id: string,
  revision: number,
  document: string,
  now: number,
): Promise<void> {
  const { buildId } = buildHistory;
  await tx
    .insert(buildHistory)
    .values({ buildId: id, revision, document: '', packed: packed(document), savedAt: now });
  const gone = prunable(await tx.select(MOMENT).from(buildHistory).where(eq(buildId, id)), now);
  if (gone.length > 0)
    await tx
      .delete(buildHistory)
      .where(and(eq(buildId, id), inArray(buildHistory.revision, [...gone])));
}

/** The moments kept of a build, newest first. */
export const listHistory = (store: Store, id: string): Promise<Moment[]> =>
  store.db
    .select(MOMENT)
    .from(buildHistory)
    .where(eq(buildHistory.buildId, id))
    .orderBy(desc(buildHistory.revision));

/** The document of one revision, byte for byte; null when it is not kept. */
export async function readMoment(
  store: Store,
  id: string,
  revision: number,
): Promise<string | null> {
  const [row] = await store.db
    .select()
    .from(buildHistory)
    .where(and(eq(buildHistory.buildId, id), eq(buildHistory.revision, revision)))
    .limit(1);
  return row ? unpacked(row) : null;
}

/** Gives a moment a name, or takes it away with null; false when it is not kept. */
export function nameMoment(
  store: Store,
  id: string,
  revision: number,
  name: string | null,
): Promise<boolean> {
  return store.write(async (tx) => {
    const named = await tx
      .update(buildHistory)
      .set({ name })
      .where(and(eq(buildHistory.buildId, id), eq(buildHistory.revision, revision)))
      .returning({ revision: buildHistory.revision });
    return named.length > 0;
  });
}

/** All moments of a build with their documents. */
export const wholeHistory = async (store: Store, id: string): Promise<MomentInBackup[]> =>
  (await store.db.select().from(buildHistory).where(eq(buildHistory.buildId, id))).map((row) => ({
    revision: row.revision,
    savedAt: row.savedAt,
    name: row.name,
    document: unpacked(row),
  }));
