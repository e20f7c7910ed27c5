'use client';
import { useEffect, useState } from 'react';
import type { Writing } from '@/core/messages';
import { isLanguage, LANGUAGE_KEY, loadWriting, type Language } from '@/messages';
import { choose, useChoice } from './kept';

/** The language that this person reads. */
export const useLanguage = (): Language => useChoice<Language>(LANGUAGE_KEY, isLanguage, 'en');

export const chooseLanguage = (language: Language): void => choose(LANGUAGE_KEY, language);

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
