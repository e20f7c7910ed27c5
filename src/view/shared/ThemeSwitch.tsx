'use client';
import Contrast from '@mui/icons-material/Contrast';
import { useColorScheme } from '@mui/material/styles';
import { msg } from '@/core/messages';
import { Press } from './Press';

/** Light or dark; follows the system until chosen. */
export function ThemeSwitch({ className }: { readonly className?: string }) {
  const { mode, systemMode, setMode } = useColorScheme();
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  const words = dark ? msg`Use the light theme` : msg`Use the dark theme`;
  return (
    <Press
      className={className}
      suppressHydrationWarning
      aria-label={words}
      title={words}
      onClick={() => setMode(dark ? 'light' : 'dark')}
      style={{ background: 'none', border: 0, cursor: 'pointer', padding: 4, lineHeight: 0 }}
    >
      <Contrast sx={{ fontSize: 18 }} aria-hidden />
    </Press>
  );
}
