import { troubleTold } from '@/store';
import { troubleAnswer } from './http';
import { busyWords } from './pooled';

export type PageRead<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly words: string };

/** Reads what a page shows, or says in words what is wrong with the database or the pool. */
export async function readForPage<T>(work: () => Promise<T>): Promise<PageRead<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    const busy = busyWords(error);
    if (busy !== null) return { ok: false, words: busy };
    const trouble = troubleTold(error);
    if (!trouble) throw error;
    const { error: words } = troubleAnswer(trouble).body as { readonly error: string };
    return { ok: false, words };
  }
}
