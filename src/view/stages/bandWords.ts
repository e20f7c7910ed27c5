import type { Judged } from '@/core/studies';
import { msg } from '@/core/messages';

/** A share between these says that the limit lies within what may come. */
const SURE = 0.02;

/** "about 27 in 100 such builds would be louder"; nothing where the verdict is sure. */
export function chanceWords(judged: Judged | undefined, would: string): string {
  if (!judged || judged.beyond < SURE || judged.beyond > 1 - SURE) return '';
  return msg`About ${Math.round(100 * judged.beyond)} in 100 such builds would ${would}.`;
}
