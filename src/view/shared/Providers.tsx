'use client';
import type { ReactNode } from 'react';
import { ThemeProvider } from '@mui/material/styles';
import { theme } from './theme';
import { useServiceWorker } from './useServiceWorker';

export function Providers({ children }: { readonly children: ReactNode }) {
  useServiceWorker();
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      {children}
    </ThemeProvider>
  );
}
