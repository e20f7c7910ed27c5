export { RULES } from './registry';
export type { BuildRule, RuleContext } from './context';
export { defaultPlacements, whyNoMount, whyNotOn, type Place } from './places';
export { SPOT_MARGIN_K } from './heatOver';
export { neededWords } from './coolingShort';
