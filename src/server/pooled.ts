import { msg } from '@/core/messages';
import { refuse, type Answer } from './answer';
import { OverTimeError, PoolFullError } from './pool';

/** Longest that a document may take to be looked over, or judged without routing, ms. */
export const LOOK_OVER_MS = 2000;
export const JUDGE_MS = 2000;
/** Longest that a kept document may take to be opened: it was looked over when it came, ms. */
export const OPEN_MS = 15_000;
/** Longest that routing, or trying every way out, may take where it was asked for, ms. */
export const ROUTE_MS = 60_000;
/** Longest that a parts list or a sheet may take, ms. */
export const PRINT_MS = 10_000;

/** When to ask again, s. */
const RETRY_AFTER_S = 2;

/** Why the pool is too busy for a task, in words; null for any other error. */
export function busyWords(error: unknown): string | null {
  if (error instanceof OverTimeError)
    return msg`This build could not be worked out within ${Math.round(error.budget_ms / 1000)} s.
      Nothing was changed.`;
  if (error instanceof PoolFullError)
    return msg`The server is busy with other builds. Nothing was changed; ask again in a moment.`;
  return null;
}

/** Says in words why the pool did not do it. */
export async function pooled(work: () => Promise<Answer>): Promise<Answer> {
  try {
    return await work();
  } catch (error) {
    const words = busyWords(error);
    if (words !== null) return busy(words);
    // A thread that wanted more memory than it has is ended.
    if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
      return refuse(
        413,
        msg`This build takes more memory than one build may. Nothing was changed.`,
      );
    throw error;
  }
}

const busy = (message: string): Answer => ({
  ...refuse(503, message),
  headers: { 'retry-after': String(RETRY_AFTER_S) },
});
