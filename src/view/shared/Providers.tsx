'use client';
import { Fragment, useEffect, type ReactNode } from 'react';
import { ThemeProvider } from '@mui/material/styles';
import { showLanguage } from '@/core/messages';
import { showUnits } from '@/core/units';
import { useLanguage, useWriting } from './language';
import { theme } from './theme';
import { useTypedEarly } from './typedEarly';
import { useServiceWorker } from './useServiceWorker';
import { useUnits } from './units';

export function Providers({ children }: { readonly children: ReactNode }) {
  useServiceWorker();
  useTypedEarly();
  const units = useUnits(),
    language = useLanguage(),
    writing = useWriting(language);
  // Before any word below is made.
  showUnits(units);
  // The server has a language for each reader, and sends pages in English.
  if (typeof window !== 'undefined') showLanguage(writing ?? null);
  useEffect(() => {
    if (writing === undefined) return;
    document.documentElement.lang = language;
    // Until now the page stood in the English that the server sent.
    document.documentElement.dataset.wordsIn = language;
  }, [language, writing]);
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      {writing === undefined ? null : <Fragment key={`${units} ${language}`}>{children}</Fragment>}
    </ThemeProvider>
  );
}
