export {
  deriveList,
  KERF_MM,
  SPARE_STICKS,
  TUBE_SPARE,
  type TubeCuts,
  type ListLine,
  type ListReport,
  type ListUnit,
} from './derive';
export { loopVolume, COOLANT_SPARE, type LoopVolume } from './volume';
export {
  coolantExpansion,
  GROWTH_LIMIT_BAR,
  growthVerdict,
  loopExpansion,
  type Expansion,
} from './expansion';
export { cutPlan, type CutPiece, type CutPlan, type CutStick } from './cutting';
export {
  changeEvery,
  coolantCost,
  coolantHabits,
  mixFor,
  YEARS_COMPARED,
  type CoolantCost,
  type Mix,
} from './mixing';
export { packFor, sundryNeeds, type SundryNeed } from './sundries';
export { shortWhy } from './why';
