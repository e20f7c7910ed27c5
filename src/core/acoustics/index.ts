export { bandsAt, OCTAVES_HZ, pitched, SHAPES, weightedSum, type Bands } from './bands';
export {
  bladeTone,
  heard,
  heardLevel,
  placeOffset,
  sourceLevel,
  type Heard,
  type SoundPlace,
  type SoundSource,
} from './heard';
export { pressureLevel, soundAtDistance, soundAtSpeed, soundSum, type Radiation } from './level';
export { aWeighting } from './weighting';
