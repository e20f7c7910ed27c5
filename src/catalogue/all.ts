import type { Part } from '@/core/components';
import { BLOCKS } from './blocks';
import { CASES } from './cases';
import { DEVICES } from './devices';
import { FANS } from './fans';
import { BOARDS, CARDS, MEMORIES, PROCESSORS, SUPPLIES } from './hardware';
import { INLINE } from './inline';
import { COOLANTS, FAMILIES, FITTINGS, LEADS, SCREWS, TUBES } from './plumbing';
import { LAYERS } from './layers';
import { PUMPS, RESERVOIRS } from './pumps';
import { RADIATORS } from './radiators';
import { SUNDRIES } from './sundries';

/** Every part of the Stores. Parts, makers and figures are invented, plausible for their class. */
export const CATALOGUE: readonly Part[] = [
  ...CASES,
  ...PROCESSORS,
  ...CARDS,
  ...BOARDS,
  ...MEMORIES,
  ...DEVICES,
  ...SUPPLIES,
  ...BLOCKS,
  ...RADIATORS,
  ...FANS,
  ...PUMPS,
  ...RESERVOIRS,
  ...INLINE,
  ...TUBES,
  ...FITTINGS,
  ...FAMILIES,
  ...COOLANTS,
  ...SCREWS,
  ...LEADS,
  ...LAYERS,
  ...SUNDRIES,
];
