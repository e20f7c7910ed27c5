export { OPERATING_RULES, RULES, SPATIAL_RULES } from './registry';
export type { BuildRule, RuleContext, SpatialContext, SpatialRule } from './inputs';
export { defaultPlacements, whyNoMount, whyNotOn, type Place } from './places';
export { SPOT_MARGIN_K } from './heatOver';
export { neededWords } from './coolingShort';
export {
  inOrder,
  runRules,
  verdictOf,
  type Finding,
  type Fix,
  type Rule,
  type Said,
  type Severity,
  type Stage,
  type Verdict,
} from './diagnostic';
export { anyKindWorse, findingKey, resolveFixes } from './resolveFixes';
