import type { ListedBuild, StoreClient } from '@/store';
import { inPool, OverTimeError, type BuildSummary } from './pool';

/**
 * Bumped when what a summary holds, or how it is computed, changes: older ones are worked out
 * again.
 */
const SUMMARY_VERSION = 2;
/** A build that takes longer is not worked out for the list. */
const BUDGET_MS = 5_000;
/** How long a list waits for what is being worked out before it answers without. */
const PATIENCE_MS = 400;

/** What is known of a build for the list: worked out, under way, or why not. */
export type SummaryState =
  | { readonly state: 'ready'; readonly summary: BuildSummary }
  | { readonly state: 'pending' | 'unreadable' | 'too-large' };

type Stored = { readonly version: number } & SummaryState;

const UNREADABLE: SummaryState = { state: 'unreadable' };
const underWay = new Map<string, Promise<SummaryState>>();

function storedSummary(row: ListedBuild): SummaryState | null {
  if (row.summary === null) return null;
  const { version, ...state } = JSON.parse(row.summary) as Stored;
  return version === SUMMARY_VERSION ? state : null;
}

/**
 * Works out what the list shows of a build as it is stored, beside everything else, and stores it
 * with the row. Once for each revision.
 */
export function summariseBuild(
  store: StoreClient,
  id: string,
  revision: number,
): Promise<SummaryState> {
  const key = `${id}@${revision}`;
  const known = underWay.get(key);
  if (known) return known;
  const work = compute(store, id, revision).finally(() => underWay.delete(key));
  underWay.set(key, work);
  return work;
}

async function compute(store: StoreClient, id: string, revision: number): Promise<SummaryState> {
  const row = await store.readBuild(id);
  if (!row || row.revision !== revision) return { state: 'pending' };
  const state = await summaryOf(row.document);
  if (state.state === 'pending') return state;
  await store.saveSummary(
    id,
    revision,
    JSON.stringify({ version: SUMMARY_VERSION, ...state } satisfies Stored),
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
  summariseBuild(store, id, revision).catch((error: unknown) => console.error(error));
}

/**
 * The states of all rows; those not worked out yet are waited for a moment, then told as pending.
 */
export async function summaryStates(
  store: StoreClient,
  rows: readonly ListedBuild[],
): Promise<readonly SummaryState[]> {
  const patience = new Promise<SummaryState>((resolve) => {
    setTimeout(() => resolve({ state: 'pending' }), PATIENCE_MS).unref();
  });
  return Promise.all(
    rows.map(
      (row) =>
        storedSummary(row) ??
        Promise.race([
          summariseBuild(store, row.id, row.revision).catch((): SummaryState => ({
            state: 'pending',
          })),
          patience,
        ]),
    ),
  );
}
