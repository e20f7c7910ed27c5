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
  readonly mid: string;
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
  'mid',
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

/** A colour so much of one and the rest of another. */
export function mix(a: string, b: string, share: number): string {
  const rgb = (h: string): readonly number[] =>
    [1, 3, 5].map((i) => parseInt(h.slice(i, i + 2), 16));
  const [p, q] = [rgb(a), rgb(b)];
  return `#${[0, 1, 2]
    .map((i) =>
      Math.round((p[i] ?? 0) * share + (q[i] ?? 0) * (1 - share))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

/** The ramp of temperatures, from slate over stone to copper, as the page has it. */
export function warmth(
  paper: Paper,
  t_C: number | undefined,
  [low_C, high_C]: readonly [number, number],
): string {
  if (t_C === undefined) return paper.cool;
  const x = Math.max(0, Math.min(1, high_C > low_C ? (t_C - low_C) / (high_C - low_C) : 0.5));
  return x < 0.5 ? mix(paper.mid, paper.cool, x * 2) : mix(paper.warm, paper.mid, x * 2 - 1);
}
