import type { Part } from '@/core/components';

/**
 * What a builder made of the catalogue: parts of their own, and numbers of parts they took out of
 * use.
 */
export interface PartLists {
  readonly own: readonly Part[];
  readonly retired: readonly string[];
}

export const BARE_PART_LISTS: PartLists = { own: [], retired: [] };
