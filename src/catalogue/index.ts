import type { PartKind, PartOf } from '@/core/components';
import { CATALOGUE } from './all';

/**
 * A part by its id. Throws RangeError when there is none: ids in the catalogue's own demo builds
 * must exist.
 */
export function catalogued<K extends PartKind>(kind: K, id: string): PartOf<K> {
  const part = CATALOGUE.find((p) => p.id === id);
  if (part?.kind !== kind) throw new RangeError(`the catalogue has no ${kind} "${id}"`);
  return part as PartOf<K>;
}

export { CATALOGUE } from './all';
export { addSet, SETS, type PartSet } from './sets';
export { STANDARD_KIT } from './kit';
export { BARE_PART_LISTS, type PartLists } from './partLists';
export { offered } from './offered';
export { DEMO_BUILDS, demoDesign, type Demo } from './demos';
