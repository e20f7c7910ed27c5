import { openingSquare, ROOM_AIR, STANDARD_AIR_KGM3, type AirOpening } from '../airflow';
import type { LoadCaseId } from '../components';
import type { FlowReport } from '../hydraulics';
import { prepareHeat, steadyRise } from './steady';
import type { ThermalModel } from './thermalModel';

/** What the case does to the warmest loop: coolant rise as it is, with no case, and taped shut. */
export interface AirSensitivity {
  readonly asItIs_K: number | null;
  /** On an open frame: every radiator breathes room air against nothing. */
  readonly openFrame_K: number | null;
  /** Every vent and seam taped: only fans let air through. */
  readonly sealed_K: number | null;
}

/** What no tape closes, cm² (an estimate, no source). */
const SEALED_CM2 = 2;

/** Three whole heat balances at the same flow of coolant. */
export function airSensitivity(
  model: ThermalModel,
  flow: FlowReport,
  load: LoadCaseId,
): AirSensitivity {
  const rise = (changed: Partial<ThermalModel>): number | null =>
    steadyRise(prepareHeat({ ...model, ...changed }, flow), load);
  return {
    asItIs_K: rise({}),
    openFrame_K: rise({ chambers: [], openings: [] }),
    sealed_K: rise({ openings: model.openings.flatMap(sealed) }),
  };
}

/** Of the leaks a little stays; ways between chambers stay. */
function sealed(opening: AirOpening): readonly AirOpening[] {
  if (opening.id === 'leaks')
    return [
      { ...opening, area_cm2: SEALED_CM2, square: openingSquare(SEALED_CM2, STANDARD_AIR_KGM3) },
    ];
  return opening.from === ROOM_AIR || opening.to === ROOM_AIR ? [] : [opening];
}
