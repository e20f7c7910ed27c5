import { aluminium } from './aluminium';
import { apart } from './apart';
import { atLimit } from './atLimit';
import { notJudged } from './notJudged';
import { silverNickel } from './silverNickel';
import type { MetalVerdict } from './types';
import { uninhibited } from './uninhibited';

export type { MetalVerdict, PairFacts, PairVerdict } from './types';

/** Every reason against a pair, gravest first: the first that applies is told. */
export const METAL_VERDICTS: readonly MetalVerdict[] = [
  notJudged,
  aluminium,
  apart,
  uninhibited,
  silverNickel,
  atLimit,
];
