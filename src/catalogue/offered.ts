import type { Part } from '@/core/components';
import { CATALOGUE } from './all';
import type { PartLists } from './partLists';

/** What is offered to a build: one's own parts, then the catalogue's, less what was retired. */
export function offered({ own, retired }: PartLists): readonly Part[] {
  const out = new Set(retired);
  return own.length === 0 && out.size === 0
    ? CATALOGUE
    : [...own, ...CATALOGUE].filter((p) => !out.has(p.id));
}
