import { LIMIT_SLACK_V } from '../table';
import { msg } from '../../messages';
import type { MetalVerdict } from './types';

export const uninhibited: MetalVerdict = {
  id: 'uninhibited',
  verdict: 'marginal',
  get because() {
    return msg`An inhibitor in date would allow them; this coolant has none, or one that has run
      out.`;
  },
  get source() {
    return msg`limits as reprinted with MIL-STD-889, from memory; a loop without inhibitor counts
      as harsh`;
  },
  applies: ({ difference_V, limit_V }) => difference_V > limit_V + LIMIT_SLACK_V,
};
