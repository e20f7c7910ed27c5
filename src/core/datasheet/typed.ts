import type { SheetValue } from './types';

/** Fields that hold a list of numbers, and how many. */
const LISTS: Readonly<Record<string, number>> = { size: 3, sections: 2 };
/** Fields that hold words. */
const TEXTS: ReadonlySet<string> = new Set([
  'name',
  'maker',
  'metal',
  'top',
  'screw',
  'cools',
  'layout',
  'pattern',
  'thread',
  'material',
  'holds',
]);

/** What a builder typed for a field; null where it cannot be that. */
export function typedValue(field: string, text: string): SheetValue | null {
  const bare = text.trim();
  if (bare === '') return null;
  if (TEXTS.has(field)) return bare;
  const numbers = (bare.replace(/,(?=\d)/g, '.').match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
  const wanted = LISTS[field];
  if (wanted !== undefined) return numbers.length === wanted ? numbers : null;
  const [only] = numbers;
  return numbers.length === 1 && only !== undefined ? only : null;
}
