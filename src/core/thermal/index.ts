export {
  crossflowEffectiveness,
  counterflowEffectiveness,
  crossflowApproximation,
} from './effectiveness';
export {
  ductFanningRe,
  ductNusseltT,
  ductNusseltH1,
  hausen,
  flatTubeNusselt,
  gnielinski,
} from './duct';
export { fanCurve, fanPressure, fanAgainst, fansAgainst, type FanCurve } from './fan';
export {
  coreDrag,
  radiatorConductance,
  INSTALLATION,
  type Core,
  type RadiatorState,
  type RadiatorResult,
  type InstallationFactors,
} from './radiator';
export { blockLaw, blockResistance, blockResistanceIn, type BlockLaw } from './block';
export { measuredRatio, atFanSpeed, type RadiatorBasis } from './measured';
export {
  compileThermalModel,
  modelOf,
  coreOf,
  drawOf,
  shareOf,
  sourceHeat,
  type ThermalModel,
  type FanSet,
  type RadiatorSetup,
  type Source,
} from './thermalModel';
export { supplyLoad, supplyVerdict, type SupplyLoad } from './supply';
export { solveHeat, solveHeatCases, solvePrepared, noiseOf, blockAt } from './solve';
export { caseFanPoint } from './caseFans';
export {
  factorNetwork,
  heatThrough,
  isFlowing,
  junctionMixes,
  only,
  readMix,
  ROOM,
  solveNetwork,
  startOf,
  type Conductor,
  type Flowing,
  type Mix,
  type Stream,
  type ThermalFactors,
  type ThermalNetwork,
} from './network';
export { airSide } from './steadyNetwork';
export {
  loopMeans,
  caseExchange,
  prepareHeat,
  pumpHeat,
  radiatorState,
  steadyRise,
  steadyState,
  type HeatOptions,
  type Prepared,
  type Variation,
} from './steady';
export { nameHeat } from './report';
export type { CaseReport, HeatReport, LoopHeat, RadiatorHeat, SpotHeat, PartHeat } from './report';
export { compareRating, type RatingCompared } from './rating';
export { temperatureUncertainty, SPREAD, type Band, type Uncertainty } from './band';
export {
  sizeCooling,
  coolingCurves,
  atSpeed,
  worstRise,
  speedRange,
  type Sizing,
  type CoolingCurve,
} from './sizing';
export { solveCoupled, type Settled } from './solveCoupled';
