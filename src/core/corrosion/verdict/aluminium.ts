import { ANODIC_INDEX } from '../table';
import type { MetalVerdict } from './types';

export const aluminium: MetalVerdict = {
  id: 'aluminium',
  verdict: 'fails',
  because: 'Aluminium beside copper, brass or nickel dissolves whatever the inhibitor.',
  source: 'common practice, no source',
  applies: ({ anode, cathode }) =>
    (anode === 'aluminium' || anode === 'anodisedAluminium') &&
    ANODIC_INDEX[cathode] < ANODIC_INDEX.tin,
};
