'use client';
import { useEffect, useState } from 'react';

/** The colours of the page, as three understands them. */
export interface Paper {
  readonly paper: string;
  readonly sunk: string;
  readonly float: string;
  readonly ink: string;
  readonly soft: string;
  readonly hairline: string;
  readonly copper: string;
  readonly fails: string;
  readonly marginal: string;
  readonly cool: string;
  readonly warm: string;
}

const NAMES: readonly (keyof Paper)[] = [
  'paper',
  'sunk',
  'float',
  'ink',
  'soft',
  'hairline',
  'copper',
  'fails',
  'marginal',
  'cool',
  'warm',
];

function read(): Paper {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(
    NAMES.map((n) => [n, style.getPropertyValue(`--${n}`).trim() || '#888888']),
  ) as unknown as Paper;
}

/** The tokens of the theme, read again when it changes. */
export function usePaper(): Paper {
  const [paper, setPaper] = useState(read);
  useEffect(() => {
    const watch = new MutationObserver(() => setPaper(read()));
    watch.observe(document.documentElement, {
      attributes: true,
      attributeFilter: ['data-mui-color-scheme', 'class'],
    });
    return () => watch.disconnect();
  }, []);
  return paper;
}
