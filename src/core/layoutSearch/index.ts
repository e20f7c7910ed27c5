export { ANYWHERE_MM, freedomOf, homeOf, isNearHome, keepHome } from './freedom';
export { leastJoint, type Factor } from './eliminate';
export { variablesOf, type Looking, type PartState, type Variable } from './states';
export { ChoiceSearch, costOfChoice, type Choice } from './search';
export { changesOf, type PartMoved } from './changes';
export { improvedLayout, settled, type ImprovedLayout, type SoFar } from './improve';
export { otherOrders } from './orders';
export { openingsFor, type Opening } from './openings';
