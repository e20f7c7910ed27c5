export {
  buildBom,
  KERF_MM,
  SPARE_STICKS,
  TUBE_SPARE,
  type TubeCuts,
  type BomLine,
  type Bom,
  type BomUnit,
} from './buildBom';
export { quantityShown, unitWords } from './unitWords';
export { loopVolume, COOLANT_SPARE, type LoopVolume } from './volume';
export {
  coolantExpansion,
  GROWTH_LIMIT_BAR,
  growthVerdict,
  loopExpansion,
  reservoirsOf,
  tubeCompliance,
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
export { clipsFor, heldBy, packFor, consumableNeeds, type ConsumableNeed } from './consumables';
export { shortWhy } from './why';
export { feedIn, type Feed, type Offer, type Shop, type Wanted } from './offers';
export {
  cheapestPurchase,
  type PurchasePlan,
  type PurchaseLine,
  type PurchaseShop,
} from './purchasePlan';
export { spareAdvice, type Spare } from './spares';
export {
  stepOf,
  leadTimes,
  WORK_STEPS,
  type Arrival,
  type LeadTime,
  type WorkStep,
} from './leadTimes';
export { requirements, type Requirement } from './requirements';
