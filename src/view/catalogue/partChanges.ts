import { isComponentPart, type BlockFits, type Part, type PartKind } from '@/core/components';
import { resizedRadiator, resizeSide } from '@/core/making';

/** A figure that a part may have and need not: what it fits. */
interface OptionalField {
  readonly path: string;
  readonly words: string;
}
export const OPTIONAL: Readonly<Partial<Record<PartKind, readonly OptionalField[]>>> = {
  processor: [{ path: 'pattern', words: 'mounting pattern, as 75 × 75 M4' }],
  card: [{ path: 'layout', words: 'card layout' }],
  board: [
    { path: 'pattern', words: 'mounting pattern at the processor' },
    { path: 'layout', words: 'board layout' },
  ],
  block: [
    { path: 'fits.patterns', words: 'mounting patterns it fits, by commas' },
    { path: 'fits.cards', words: 'card layouts it fits' },
    { path: 'fits.boards', words: 'board layouts it fits' },
    { path: 'fits.sticks', words: 'sticks it fits, as 2 × 9 mm apart' },
  ],
};

const STICKS = /(\d+)\D+(\d+(?:[.,]\d+)?)/;
const listed = (text: string): readonly string[] =>
  text
    .split(',')
    .map((t) => t.trim())
    .filter((t) => t !== '');

/** What a part says of such a figure, as text. */
export function optionalText(part: Part, path: string): string {
  if (part.kind === 'block') {
    const { patterns = [], cards = [], boards = [], sticks = [] } = part.fits ?? {};
    const texts: Readonly<Record<string, string>> = {
      'fits.patterns': patterns.map((p) => p.pattern).join(', '),
      'fits.cards': cards.join(', '),
      'fits.boards': boards.join(', '),
      'fits.sticks': sticks.map((s) => `${s.count} × ${s.pitch_mm}`).join(', '),
    };
    return texts[path] ?? '';
  }
  const value = (part as unknown as Readonly<Record<string, unknown>>)[path];
  return typeof value === 'string' ? value : '';
}

/** The part with such a figure typed; without it where the text is empty. */
export function withOptional(part: Part, path: string, text: string): Part {
  if (part.kind !== 'block') {
    const { [path]: _old, ...rest } = part as unknown as Record<string, unknown>;
    return (text.trim() === '' ? rest : { ...rest, [path]: text.trim() }) as unknown as Part;
  }
  const { patterns: known = [], ...others } = part.fits ?? {};
  const list = listed(text);
  const changed: BlockFits =
    path === 'fits.patterns'
      ? {
          ...others,
          patterns: list.map((pattern) => known.find((p) => p.pattern === pattern) ?? { pattern }),
        }
      : { ...others, patterns: known, ...otherFits(path, list) };
  return { ...part, fits: changed };
}

function otherFits(path: string, list: readonly string[]): BlockFits {
  if (path === 'fits.cards') return { cards: list };
  if (path === 'fits.boards') return { boards: list };
  return {
    sticks: list.flatMap((t) => {
      const [, count, pitch] = STICKS.exec(t) ?? [];
      return count && pitch
        ? [{ count: Number(count), pitch_mm: Number(pitch.replace(',', '.')) }]
        : [];
    }),
  };
}

/**
 * A part of another size: a radiator with its ports, core, volume and drop, any other body with its
 * ports where they were on their faces; null for any other change.
 */
export function resized(part: Part, path: string, value: number): Part | null {
  if (value <= 0) return null;
  const side = /^size\.([012])$/.exec(path)?.[1];
  if (part.kind !== 'radiator')
    return side !== undefined && isComponentPart(part)
      ? resizeSide(part, Number(side) as 0 | 1 | 2, value)
      : null;
  switch (path) {
    case 'section_mm':
      return resizedRadiator(part, { section: value });
    case 'sections':
      return resizedRadiator(part, { sections: value });
    case 'size.2':
      return resizedRadiator(part, { thick: value });
    default:
      return null;
  }
}
