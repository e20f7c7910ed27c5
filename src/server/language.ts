import { AsyncLocalStorage } from 'node:async_hooks';
import { cookies } from 'next/headers';
import { followLanguage, type Writing } from '@/core/messages';
import { isLanguage, LANGUAGE_KEY, loadWriting, type Language } from '@/messages';

const readers = new AsyncLocalStorage<Writing | null>();
const loaded = new Map<Language, Promise<Writing | null>>();

followLanguage(() => readers.getStore() ?? null);

/** What the person who asks reads; English where nobody asks, as in a script. */
async function askedLanguage(): Promise<Language> {
  try {
    const tag = (await cookies()).get(LANGUAGE_KEY)?.value;
    return isLanguage(tag) ? tag : 'en';
  } catch {
    return 'en';
  }
}

/** Answers in the language of whoever asks. */
export async function inTheirLanguage<T>(work: () => Promise<T>): Promise<T> {
  const language = await askedLanguage();
  if (!loaded.has(language)) loaded.set(language, loadWriting(language));
  return readers.run((await loaded.get(language)) ?? null, work);
}
