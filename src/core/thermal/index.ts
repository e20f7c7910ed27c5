export {
  crossflowEffectiveness,
  counterflowEffectiveness,
  crossflowApproximation,
} from './effectiveness';
export {
  developingNusselt,
  ductNusseltT,
  ductNusseltH1,
  flatTubeNusselt,
  gnielinski,
} from './duct';
export {
  radiatorConductance,
  STILL_AIR_WM2K,
  INSTALLATION,
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
export { solveHeat, solveHeatCases, solvePrepared, blockAt } from './solve';
export { noiseHeard, noiseOf, soundSources } from './noise';
export { airSensitivity, type AirSensitivity } from './airSensitivity';
export {
  airAlone,
  airModelOf,
  airSide,
  airStreams,
  caseAirOf,
  chamberNode,
  chamberNodes,
  radiatorWind,
  stateOf,
  wallConductance,
  wayOf,
  type CaseAirState,
} from './caseAir';
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
export {
  loopMeans,
  prepareHeat,
  pumpHeat,
  radiatorState,
  steadyRise,
  steadyState,
  type HeatOptions,
  type Prepared,
  type Variation,
} from './steady';
export type { CaseNodes } from './steadyNetwork';
export { nameHeat } from './report';
export type { CaseReport, HeatReport, LoopHeat, RadiatorHeat, SpotHeat, PartHeat } from './report';
export { worstRise } from './worstRise';
export { compareRating, type RatingCompared } from './rating';
export { temperatureUncertainty, type Uncertainty } from './band';
export { SPREAD } from './spread';
export {
  sizeCooling,
  coolingCurves,
  atSpeed,
  speedRange,
  type Sizing,
  type CoolingCurve,
} from './sizing';
export { solveCoupled, type Settled } from './solveCoupled';
export { quietestSetting, type QuietestInputs, type QuietestSetting } from './quietest';
