export { SEVERITY_NAMES } from './severities';
export { OPERATING_CHECKS, CHECKS, SPATIAL_CHECKS } from './registry';
export type { OperatingCheck, CheckInputs, SpatialInputs, SpatialCheck } from './inputs';
export { carriersOf, defaultPlacements, whyNoMount, whyNotOn, type Place } from './places';
export { moreRadiators, type MoreRadiator } from './moreRadiators';
export { SPOT_MARGIN_K } from './limits';
export { settingEdit } from './quietestFix';
export { neededWords } from './neededWords';
export {
  inOrder,
  runChecks,
  verdictOf,
  type Finding,
  type OpenFinding,
  type Fix,
  type Check,
  type Diagnostic,
  type Severity,
  type Stage,
  type Verdict,
} from './diagnostic';
export { anyKindWorse, findingKey, resolveFixes, type Basis, type Judge } from './resolveFixes';
export { groupByFix, type FixGroup } from './grouped';
export { byFit, whyNotHere } from './whyNotHere';
