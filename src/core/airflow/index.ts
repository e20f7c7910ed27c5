export { coreChannel, coreDrag, coreDragTerms, type AirDrag, type Core } from './core';
export { ductFanningRe } from './duct';
export { fanCurve, fanPressure, freeFlow, type FanCurve, type TurningFan } from './fan';
export { rowAlone, type AirWay, type FanOperatingPoint, type FanRow } from './fanRow';
export { solveAir, type AirModel, type AirSolution } from './network';
export {
  chambersOf,
  faceSquare,
  GRILLE_PA,
  isOpenFrame,
  MAIN_CHAMBER,
  openingSquare,
  openingsOf,
  perforatedHeads,
  ROOM_AIR,
  STANDARD_AIR_KGM3,
  USUAL_LEAKAGE_CM2,
  type AirOpening,
} from './opening';
