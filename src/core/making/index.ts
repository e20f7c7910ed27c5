export { makeBlock, usualDrop, usualResistance, type BlockFigures } from './block';
export { makeCard, makeFan, type CardFigures, type FanFigures } from './machine';
export {
  makeHeatSource,
  USUAL_SIZE,
  type HeatSourceFigures,
  type HeatSourceKind,
} from './heatSource';
export { makeTubeFitting, type TubeFittingFigures } from './fitting';
export { makeReservoir, type ReservoirFigures } from './reservoir';
export { makePump, type PumpFigures } from './pump';
export { makeRadiator, resizedRadiator, type RadiatorFigures } from './radiator';
export {
  addBody,
  addPassage,
  addPort,
  chamberNames,
  changePassage,
  freshChamber,
  removePassage,
  axesOfFace,
  bodiesOf,
  changePort,
  dutyOfPort,
  faceOf,
  FACES,
  hasPorts,
  interfaceFrom,
  movePort,
  onFace,
  removePort,
  resizeSide,
  withBodies,
  withFoot,
  type Face,
  type MeasuredPair,
} from './shape';
export { fanPoints, port, sealed } from './shapes';
