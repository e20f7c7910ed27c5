import type { Kit } from '@/core/design';
import type { FittingPart } from '@/core/components';
import { FITTINGS, LEADS, SCREWS } from './plumbing';
import { SUNDRIES } from './sundries';

const fitting = (id: string): FittingPart => FITTINGS.find((f) => f.id === id) as FittingPart;

/** The small parts a new build starts with. */
export const STANDARD_KIT: Kit = {
  plug: fitting('fit-plug'),
  drain: fitting('fit-drain'),
  fill: fitting('fit-fill'),
  maleToMale: fitting('fit-joint'),
  rotary45: fitting('fit-rotary-45'),
  rotary90: fitting('fit-rotary-90'),
  extender: fitting('fit-extender-15'),
  screws: SCREWS,
  cables: LEADS,
  consumables: SUNDRIES,
};
