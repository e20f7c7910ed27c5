import type { RadiatorRating } from '../components';
import { atFanSpeed } from './measured';
import { prepareHeat } from './steady';
import type { FlowReport } from '../hydraulics';
import type { ThermalModel } from './thermalModel';

/** A maker's "carries N watts" put beside the model at the same fan speed and this loop's flow. */
export interface RatingCompared {
  readonly printed_WK: number;
  readonly ours_WK: number;
  /** Printed over ours. */
  readonly ratio: number;
}

/** Null for a radiator that hangs in no loop or has no fans. */
export function compareRating(
  thermalModel: ThermalModel,
  flow: FlowReport,
  radiator: string,
  rating: RadiatorRating,
): RatingCompared | null {
  const k = thermalModel.radiators.findIndex((r) => r.id === radiator);
  const own = thermalModel.radiators[k];
  if (!own || own.fans.length === 0) return null;
  const at = prepareHeat(
    {
      ...thermalModel,
      radiators: thermalModel.radiators.map((r, i) =>
        i === k ? atFanSpeed(r, rating.speed_rpm) : r,
      ),
    },
    flow,
  );
  const ours_WK = at.conductances[k]?.k ?? 0;
  const printed_WK = rating.heat_W / rating.difference_K;
  return ours_WK > 0 ? { printed_WK, ours_WK, ratio: printed_WK / ours_WK } : null;
}
