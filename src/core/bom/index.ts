export {
  deriveList,
  KERF_MM,
  SPARE_STICKS,
  TUBE_SPARE,
  type TubeCuts,
  type ListLine,
  type ListReport,
  type ListUnit,
} from './buildBom';
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
export { packFor, sundryNeeds, type SundryNeed } from './consumables';
export { shortWhy } from './why';
export type { Feed, Offer, Shop, Wanted } from './offers';
export { cheapestBasket, type Basket, type BasketLine, type BasketShop } from './purchasePlan';
export { spareAdvice, type Spare } from './spares';
export {
  stepOf,
  stepWaits,
  WORK_STEPS,
  type Arrival,
  type StepWait,
  type WorkStep,
} from './leadTimes';
export { wishes, type Wish } from './requirements';
