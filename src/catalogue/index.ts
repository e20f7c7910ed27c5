import type { Part, PartKind, PartOf } from '@/core/part';
import { BLOCKS } from './blocks';
import { CASES } from './cases';
import { FANS } from './fans';
import { BOARDS, CARDS, MEMORIES, PROCESSORS, SUPPLIES } from './hardware';
import { INLINE } from './inline';
import { COOLANTS, FAMILIES, FITTINGS, LEADS, SCREWS, TUBES } from './plumbing';
import { PUMPS, RESERVOIRS } from './pumps';
import { RADIATORS } from './radiators';
import { SUNDRIES } from './sundries';

/** Every part of the Stores. Parts, makers and figures are invented, plausible for their class. */
export const CATALOGUE: readonly Part[] = [
  ...CASES, ...PROCESSORS, ...CARDS, ...BOARDS, ...MEMORIES, ...SUPPLIES, ...BLOCKS, ...RADIATORS, ...FANS, ...PUMPS, ...RESERVOIRS, ...INLINE, ...TUBES, ...FITTINGS, ...FAMILIES, ...COOLANTS, ...SCREWS, ...LEADS, ...SUNDRIES,
];

/** A part by its id. Throws RangeError when there is none: ids in the catalogue's own demo builds must exist. */
export function catalogued<K extends PartKind>(kind: K, id: string): PartOf<K> {
  const part = CATALOGUE.find((p) => p.id === id);
  if (part?.kind !== kind) throw new RangeError(`the catalogue has no ${kind} "${id}"`);
  return part as PartOf<K>;
}

export { STANDARD_KIT } from './kit';
export { DEMO_BUILDS, demoBuild, type Demo } from './demos';
