import { ANODIC_INDEX } from '../table';
import { msg } from '../../messages';
import type { MetalVerdict } from './types';

export const aluminium: MetalVerdict = {
  id: 'aluminium',
  verdict: 'fails',
  get because() {
    return msg`Aluminium beside copper, brass or nickel dissolves whatever the inhibitor.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  applies: ({ anode, cathode }) =>
    (anode === 'aluminium' || anode === 'anodisedAluminium') &&
    ANODIC_INDEX[cathode] < ANODIC_INDEX.tin,
};
