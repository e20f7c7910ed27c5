export { candidates, type Candidate, type ChangeKind } from './candidates';
export { evaluateVariant, evaluateVariants, type EvaluatedVariant } from './evaluateVariant';
export { bestUse } from './bestUse';
export { familiesPriced, type FamilyPriced } from './familiesPriced';
export { whatFits, type WhatFits } from './whatFits';
export type { FitSet } from './fitSets';
export { type FanFaces, type FitChoice, type FitRefusal, type MountFits } from './ways';
export { hangEdit, hangSetEdit, hangsOn } from './mountPart';
export { compareOrders, whyNoOrders, type OrderJudged, type OrdersCompared } from './orders';
export { orderPrice, type OrderPrice } from './orderPrice';
export { judgeSpeeds, type SpeedsJudged } from './speedProfiles';
export { whatIfShort, GIVE_MM, type Rescue } from './short';
export { judgedAlternatives, type AlternativeJudged } from './alternatives';
export { bridgeOffers, parallelBridge, type BridgeOffer, type ParallelBridge } from './bridge';
export { compareParts, type PartCompared } from './compareParts';
export {
  pumpChoice,
  pumpChoices,
  pumpEdit,
  PUMP_AIMS,
  type PumpAim,
  type PumpAsked,
  type PumpMeans,
  PUMP_WAYS,
  type PumpChoice,
  type PumpWay,
} from './pumpSelection';
export {
  compareSeriesParallel,
  isBeside,
  type Arrangement,
  type SplitPart,
  type SeriesParallel,
} from './seriesParallel';
export { familyChange, familyOf, PLAIN_FAMILY, type FamilyChange } from './family';
export { beforeAfter, type BeforeAfter, type Outcome } from './beforeAfter';
export { SPREAD_BESIDE } from './spreadBeside';
export { uncertainty, type GapJudged, type Judged, type WholeUncertainty } from './uncertainty';
export { casesForHeat, roomOfCase, WATTS_A_SECTION, type CaseRoom } from './caseChoice';
