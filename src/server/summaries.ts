import type { ListedBuild, StoreClient } from '@/store';
import { inPool, OverTimeError, type BuildSummary } from './pool';
import { asReader, currentReader, type Reader } from './reader';

/**
 * Bumped when what a summary holds, or how it is computed, changes: older ones are worked out
 * again.
 */
const SUMMARY_VERSION = 3;
/** A build that takes longer is not worked out for the list. */
const BUDGET_MS = 5_000;
/** How long a list waits for what is being worked out before it answers without. */
const PATIENCE_MS = 400;

/** What is known of a build for the list: worked out, under way, or why not. */
export type SummaryState =
  | { readonly state: 'ready'; readonly summary: BuildSummary }
  | { readonly state: 'pending' | 'unreadable' | 'too-large' };

/** A summary is words: one for each language and units that somebody has read the list in. */
interface Stored {
  readonly version: number;
  readonly byReader: Readonly<Record<string, SummaryState>>;
}
const keyOf = ({ language, units }: Reader): string => `${language} ${units}`;

const UNREADABLE: SummaryState = { state: 'unreadable' };
const underWay = new Map<string, Promise<SummaryState>>();

function storedSummaries(summary: string | null): Stored['byReader'] {
  if (summary === null) return {};
  const { version, byReader } = JSON.parse(summary) as Stored;
  return version === SUMMARY_VERSION ? byReader : {};
}

/**
 * Works out what the list shows of a build as it is stored, beside everything else, and stores it
 * with the row. Once for each revision.
 */
export function summariseBuild(
  store: StoreClient,
  id: string,
  revision: number,
  reader: Reader,
): Promise<SummaryState> {
  const key = `${id}@${revision} ${keyOf(reader)}`;
  const known = underWay.get(key);
  if (known) return known;
  const work = asReader(reader, () => compute(store, id, revision, reader)).finally(() =>
    underWay.delete(key),
  );
  underWay.set(key, work);
  return work;
}

async function compute(
  store: StoreClient,
  id: string,
  revision: number,
  reader: Reader,
): Promise<SummaryState> {
  const row = await store.readBuild(id);
  if (!row || row.revision !== revision) return { state: 'pending' };
  const state = await summaryOf(row.document);
  if (state.state === 'pending') return state;
  await store.saveSummary(
    id,
    revision,
    JSON.stringify({
      version: SUMMARY_VERSION,
      byReader: { ...storedSummaries(row.summary), [keyOf(reader)]: state },
    } satisfies Stored),
  );
  return state;
}

async function summaryOf(document: string): Promise<SummaryState> {
  try {
    const summary = await inPool('summarise', { document }, BUDGET_MS);
    return summary ? { state: 'ready', summary } : UNREADABLE;
  } catch (error) {
    if (error instanceof OverTimeError) return { state: 'too-large' };
    // A full pool passes; a thread that ran out of memory does not.
    return (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY'
      ? { state: 'too-large' }
      : { state: 'pending' };
  }
}

/** The same in the background: a fault is told to the log and the list tries again. */
export function summariseLater(store: StoreClient, id: string, revision: number): void {
  summariseBuild(store, id, revision, currentReader()).catch((error: unknown) =>
    console.error(error),
  );
}

/**
 * The states of all rows; those not worked out yet are waited for a moment, then told as pending.
 */
export async function summaryStates(
  store: StoreClient,
  rows: readonly ListedBuild[],
  reader: Reader,
): Promise<readonly SummaryState[]> {
  const patience = new Promise<SummaryState>((resolve) => {
    setTimeout(() => resolve({ state: 'pending' }), PATIENCE_MS).unref();
  });
  return Promise.all(
    rows.map(
      (row) =>
        storedSummaries(row.summary)[keyOf(reader)] ??
        Promise.race([
          summariseBuild(store, row.id, row.revision, reader).catch((): SummaryState => ({
            state: 'pending',
          })),
          patience,
        ]),
    ),
  );
}
