import type { Kit, KitDuty, Loop } from '../design';
import type { FittingDuty, FittingPart } from '../components';
import type { Run } from './estimate';

/**
 * The part that a piece of a run is: the loop's own fitting, the bridge chosen for this run, or the
 * kit's piece of that duty.
 */
export const pieceOf = (
  run: Pick<Run, 'bridge'> | undefined,
  duty: FittingDuty,
  loop: Loop,
  kit: Kit,
): FittingPart => {
  if (duty === 'bridge') return run?.bridge ?? kit.maleToMale;
  if (duty === loop.fitting.duty) return loop.fitting;
  return kit[duty as KitDuty];
};
