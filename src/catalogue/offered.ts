import type { Part } from '@/core/components';
import { CATALOGUE } from './all';

/**
 * What a builder made of the Stores: parts of their own, and numbers of parts they took out of use.
 */
export interface PartLists {
  readonly own: readonly Part[];
  readonly retired: readonly string[];
}

export const BARE_PART_LISTS: PartLists = { own: [], retired: [] };

/** What is offered to a build: one's own parts, then the catalogue's, less what was retired. */
export function offered({ own, retired }: PartLists): readonly Part[] {
  const out = new Set(retired);
  return own.length === 0 && out.size === 0
    ? CATALOGUE
    : [...own, ...CATALOGUE].filter((p) => !out.has(p.id));
}
