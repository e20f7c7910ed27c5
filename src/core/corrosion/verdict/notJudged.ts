import { isJudged } from '../table';
import { msg } from '../../messages';
import type { MetalVerdict } from './types';

export const notJudged: MetalVerdict = {
  id: 'not-judged',
  verdict: 'unchecked',
  get because() {
    return msg`The table does not know one of them: this pair is not judged.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  applies: ({ anode, cathode }) => !isJudged(anode) || !isJudged(cathode),
};
