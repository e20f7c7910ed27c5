'use client';
import { Press } from './Press';
import { useColorScheme } from '@mui/material/styles';

/** Paper or night; follows the system until chosen. */
export function ThemeSwitch({ className }: { readonly className?: string }) {
  const { mode, systemMode, setMode } = useColorScheme();
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <Press
      className={className}
      suppressHydrationWarning
      aria-label={dark ? 'Use the light theme' : 'Use the dark theme'}
      title={dark ? 'Paper theme' : 'Night theme'}
      onClick={() => setMode(dark ? 'light' : 'dark')}
      style={{ background: 'none', border: 0, cursor: 'pointer', padding: 4, lineHeight: 0 }}
    >
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden>
        <circle cx="8" cy="8" r="6.3" fill="none" stroke="currentColor" strokeWidth="1.3" />
        <path d="M8 1.7a6.3 6.3 0 0 1 0 12.6z" fill="currentColor" />
      </svg>
    </Press>
  );
}
