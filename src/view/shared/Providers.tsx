'use client';
import { Fragment, useEffect, type ReactNode } from 'react';
import { ThemeProvider } from '@mui/material/styles';
import { showLanguage } from '@/core/messages';
import { showUnits } from '@/core/units';
import { useLanguage, useWriting } from './language';
import { theme } from './theme';
import { useServiceWorker } from './useServiceWorker';
import { useUnits } from './units';

export function Providers({ children }: { readonly children: ReactNode }) {
  useServiceWorker();
  const units = useUnits(),
    language = useLanguage(),
    writing = useWriting(language);
  // Before any word below is made.
  showUnits(units);
  showLanguage(writing ?? null);
  useEffect(() => {
    document.documentElement.lang = language;
  }, [language]);
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      {writing === undefined ? null : <Fragment key={`${units} ${language}`}>{children}</Fragment>}
    </ThemeProvider>
  );
}
