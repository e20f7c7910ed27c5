export { makeBlock, usualDrop, usualResistance, type BlockFigures } from './block';
export { makeCard, makeFan, type CardFigures, type FanFigures } from './machine';
export { makePump, type PumpFigures } from './pump';
export { makeRadiator, resizedRadiator, type RadiatorFigures } from './radiator';
export { fanPoints, port, sealed } from './shapes';
