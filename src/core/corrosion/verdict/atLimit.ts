import { LIMIT_SLACK_V } from '../table';
import { msg } from '../../messages';
import type { MetalVerdict } from './types';

export const atLimit: MetalVerdict = {
  id: 'at-limit',
  verdict: 'marginal',
  get because() {
    return msg`They are allowed with nothing to spare, and lists differ by up to 0.05 V.`;
  },
  get source() {
    return msg`limits as reprinted with MIL-STD-889, from memory`;
  },
  applies: ({ difference_V, limit_V }) => Math.abs(difference_V - limit_V) <= LIMIT_SLACK_V,
};
