export {
  measureGaps,
  gapsAround,
  verdictFor,
  NEAR_MM,
  type ClearanceReport,
  type ClearanceVerdict,
  type Gap,
} from './gaps';
export { missedHoles } from './bracket';
export {
  measureAirflowObstructions,
  curtainLoss,
  type AirflowObstruction,
} from './airflowObstruction';
export { portFits, HAND_MM, type PortFit } from './ports';
export {
  screwNeeds,
  screwWindow,
  ENGAGEMENT_MM,
  TUBE_MARGIN_MM,
  type ScrewNeed,
  type ScrewWindow,
} from './screw';
export { mountDepthAt, type MountDepth } from './mountDepth';
export { nameDepths, nameGaps, nameObstructions, namePorts } from './named';
export { gapLines, type GapLine } from './gapLines';
