import type { Judged } from '@/core/studies';

/** A share between these says that the limit lies within what may come. */
const SURE = 0.02;

/** What a sentence says of so many in a hundred such builds; nothing where the verdict is sure. */
export function chanceWords(
  judged: Judged | undefined,
  words: (ofHundred: number) => string,
): string | null {
  if (!judged || judged.beyond < SURE || judged.beyond > 1 - SURE) return null;
  return words(Math.round(100 * judged.beyond));
}
