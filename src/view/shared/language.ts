'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { Writing } from '@/core/messages';
import { isLanguage, LANGUAGE_KEY, loadWriting, type Language } from '@/messages';
import { keepChoice } from './kept';

/** What the person chose; English until then, and where the browser keeps nothing. */
function chosen(): Language {
  try {
    const tag = localStorage.getItem(LANGUAGE_KEY);
    return isLanguage(tag) ? tag : 'en';
  } catch {
    return 'en';
  }
}

/** Another window that changes it is followed when this one loads again, as words are made once. */
const neverChanges = (): (() => void) => () => undefined;

/** The language of this page: what the server sent is English, and is written anew where it is not. */
export const useLanguage = (): Language =>
  useSyncExternalStore<Language>(neverChanges, chosen, () => 'en');

/** Keeps the choice and loads the page again in it: edits are kept before they are sent. */
export function chooseLanguage(language: Language): void {
  keepChoice(LANGUAGE_KEY, language);
  window.location.reload();
}

/** What writes a language, null for English; undefined until its file is there. */
export function useWriting(language: Language): Writing | null | undefined {
  const [loaded, setLoaded] = useState<Writing | null>(null);
  useEffect(() => {
    if (language === 'en') return;
    let isHere = true;
    // A file that cannot be read leaves the page in English rather than empty.
    loadWriting(language).then(
      (writing) => isHere && setLoaded(writing),
      () => isHere && setLoaded({ tag: language, write: () => null }),
    );
    return () => void (isHere = false);
  }, [language]);
  if (language === 'en') return null;
  return loaded ?? undefined;
}
