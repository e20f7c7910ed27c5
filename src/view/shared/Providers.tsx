'use client';
import { showUnits } from '@/core/units';
import { Fragment, type ReactNode } from 'react';
import { ThemeProvider } from '@mui/material/styles';
import { theme } from './theme';
import { useServiceWorker } from './useServiceWorker';
import { useUnits } from './units';

export function Providers({ children }: { readonly children: ReactNode }) {
  useServiceWorker();
  const units = useUnits();
  // Before any word below is made.
  showUnits(units);
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <Fragment key={units}>{children}</Fragment>
    </ThemeProvider>
  );
}
