export { OPERATING_RULES, RULES, SPATIAL_RULES } from './registry';
export type { BuildRule, RuleContext, SpatialContext, SpatialRule } from './context';
export { defaultPlacements, whyNoMount, whyNotOn, type Place } from './places';
export { SPOT_MARGIN_K } from './heatOver';
export { neededWords } from './coolingShort';
