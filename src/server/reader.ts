import { AsyncLocalStorage } from 'node:async_hooks';
import { cookies } from 'next/headers';
import { followLanguage, type Writing } from '@/core/messages';
import { UNITS_KEY, type UnitSystem } from '@/core/units';
import { isLanguage, LANGUAGE_KEY, loadWriting, type Language } from '@/messages';

/** Who reads an answer: in which language, in which units. */
export interface Reader {
  readonly language: Language;
  readonly units: UnitSystem;
}

const PLAIN: Reader = { language: 'en', units: 'metric' };

const readers = new AsyncLocalStorage<Reader & { readonly writing: Writing | null }>();
const loaded = new Map<Language, Promise<Writing | null>>();

followLanguage(() => readers.getStore()?.writing ?? null);

/** Whoever asks, by the cookies of their choices; plain English where nobody asks, as in a script. */
export async function askedReader(): Promise<Reader> {
  try {
    const kept = await cookies();
    const tag = kept.get(LANGUAGE_KEY)?.value;
    return {
      language: isLanguage(tag) ? tag : 'en',
      units: kept.get(UNITS_KEY)?.value === 'us' ? 'us' : 'metric',
    };
  } catch {
    return PLAIN;
  }
}

/** Answers in the language of whoever asks. */
export async function forReader<T>(work: () => Promise<T>): Promise<T> {
  const reader = await askedReader();
  return asReader(reader, work);
}

/** The same for a reader that is known already. */
export async function asReader<T>(reader: Reader, work: () => Promise<T>): Promise<T> {
  const { language } = reader;
  if (!loaded.has(language)) loaded.set(language, loadWriting(language));
  return readers.run({ ...reader, writing: (await loaded.get(language)) ?? null }, work);
}

/** Who reads what is worked out now: told to the threads. */
export function currentReader(): Reader {
  const { language, units } = readers.getStore() ?? PLAIN;
  return { language, units };
}
