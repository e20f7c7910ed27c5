import { troubleTold } from '@/store';
import { troubleAnswer } from './http';

export type PageRead<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly words: string };

/** Reads what a page shows, or says in words what is wrong with the database. */
export async function readForPage<T>(work: () => Promise<T>): Promise<PageRead<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    const trouble = troubleTold(error);
    if (!trouble) throw error;
    const { error: words } = troubleAnswer(trouble).body as { readonly error: string };
    return { ok: false, words };
  }
}
