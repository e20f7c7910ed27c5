export {
  colebrook,
  haaland,
  churchill,
  frictionInto,
  frictionFactor,
  isBetweenRegimes,
  LAMINAR_RE,
  TURBULENT_RE,
} from './friction';
export {
  boreSpeed,
  minorLoss,
  expansionK,
  contractionK,
  craneFt,
  bendK,
  BEND_RATIOS,
  bendExtraK,
  CRANE_MULTIPLES,
  ENTRY_K,
} from './minor';
export { TEE_K, teeDrops, type TeeLeg } from './tee';
export {
  fitLossCurve,
  lossDrop,
  scaleCurve,
  clogCurve,
  type LossCurve,
  type LossFit,
  type CurveScale,
} from './curve';
export { pumpCurve, pumpHead, headToPressure, pressureToHead, type PumpCurve } from './pump';
export { reynolds, TUBE_ROUGHNESS_MM, type KAtBore, type TubeLoss } from './tube';
export type { FlowNetwork, LinkDropLaw, NetworkLink, NetworkSolution } from './links';
export { linkDrop, linkSlope } from './terms';
export { solveNetwork, readyNetwork, NETWORK_TOLERANCE_LMIN, type ReadyNetwork } from './network';
export {
  networkOf,
  settingsIn,
  type SettingsOf,
  pumpShare,
  tubeLossOf,
  runDrop,
  type RunDrop,
  curveOfPump,
  curveScale,
  fitOf,
} from './laws';
export { solveFlow, type FlowReport, type LoopFlow, type LinkFlow, type PumpFlow } from './solve';
export {
  operatingCurves,
  curvePoints,
  flowAtShares,
  type ChartPoint,
  type OperatingCurves,
} from './operating';
export { slowestShareFor, pumpMargin, atFullSpeed } from './sizing';
export { branchesOf, type Branch } from './branches';
export { flowLossSweep, FLOW_LOSS_SHARES, type FlowLoss } from './flowLoss';
export { ratingTroubles, headTrouble, type RatingTrouble, type HeadTrouble } from './ratings';
export type { LoopPressures, NodePressure } from './pressures';
export { FLOW_BANDS, flowBand } from './bands';
