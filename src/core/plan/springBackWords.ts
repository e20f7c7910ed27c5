import type { SpringBack } from '../tubing';
import { formatNumber } from '../units';
import { msg } from '../messages';

/** Where the angles to set come from, in a sentence. */
export function springBackWords(springBack: SpringBack | null): string {
  if (springBack === null)
    return msg`No test bend was made: bend to the angle and hold until it is cool.`;
  const { from, slope, offset_deg, scatter_deg } = springBack;
  const share = msg`${formatNumber(100 * slope, { decimals: 1 })} % of the set angle`;
  switch (from) {
    case 'material':
      return msg`Estimated from the metal: ${share} is left; tempers differ, make a test bend.
        The larger angles are to be set.`;
    case 'one test bend':
      return msg`Test bend: ${share} is left; the larger angles are to be set.`;
    case 'test bends': {
      const offset =
        Math.abs(offset_deg) < 0.05
          ? ''
          : ` ${offset_deg > 0 ? 'and' : 'less'} ${formatNumber(Math.abs(offset_deg), { decimals: 1 })}°`;
      return scatter_deg === null
        ? msg`Test bends: ${share}${offset} is left; the larger angles are to be set.`
        : msg`Test bends: ${share}${offset} is left (a test bend lies
            ${formatNumber(scatter_deg, { decimals: 1 })}° off it, one in three more); the larger
            angles are to be set.`;
    }
  }
}
