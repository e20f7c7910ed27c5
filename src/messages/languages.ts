import type { Writing } from '@/core/messages';

/**
 * Languages beside English, by tag, each in its file here. en-XA is no language of people: English
 * accented and 40 % longer, which shows a translator and the tests what is hard-coded or cut off.
 */
const FILES = {
  'en-XA': () => import('./en-XA.json'),
} as const satisfies Record<string, () => Promise<{ default: Record<string, string> }>>;

/** Where the choice is kept: in the browser's storage, and as a cookie for the server. */
export const LANGUAGE_KEY = 'zephyron-language';

export type Language = 'en' | keyof typeof FILES;

export const isLanguage = (tag: string | null | undefined): tag is Language =>
  tag === 'en' || (typeof tag === 'string' && Object.hasOwn(FILES, tag));

/** What writes a language's texts; null is English, which needs no file. */
export async function loadWriting(language: Language): Promise<Writing | null> {
  if (language === 'en') return null;
  // What formats messages is loaded with the first language that needs it.
  const [{ createWriting }, file] = await Promise.all([import('./writing'), FILES[language]()]);
  return createWriting(language, file.default);
}
