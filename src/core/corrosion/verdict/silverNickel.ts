import { msg } from '../../messages';
import type { MetalVerdict } from './types';

export const silverNickel: MetalVerdict = {
  id: 'silver-nickel',
  verdict: 'marginal',
  get because() {
    return msg`Silver, as plating or against growth, has been seen to lift nickel plate.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  applies: ({ anode, cathode }) =>
    (anode === 'nickel' || anode === 'nickelPhosphorus') && cathode === 'silver',
};
