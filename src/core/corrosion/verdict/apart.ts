import { DIFFERENCE_LIMIT, LIMIT_SLACK_V } from '../table';
import { msg } from '../../messages';
import type { MetalVerdict } from './types';

export const apart: MetalVerdict = {
  id: 'apart',
  verdict: 'fails',
  get because() {
    return msg`They lie farther apart than even an inhibitor in date allows.`;
  },
  get source() {
    return msg`limits as reprinted with MIL-STD-889, from memory`;
  },
  applies: ({ difference_V }) => difference_V > DIFFERENCE_LIMIT.ordinary + LIMIT_SLACK_V,
};
