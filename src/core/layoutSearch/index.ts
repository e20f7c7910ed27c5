export { ANYWHERE_MM, freedomOf, homeOf, isNearHome, keepHome } from './freedom';
export { leastJoint, type Factor } from './eliminate';
export { variablesOf, type Looking, type PartState, type Variable } from './states';
export { ChoiceSearch, costOfChoice, type Choice } from './search';
export {
  changesOf,
  improvedLayout,
  settled,
  type ImprovedLayout,
  type PartMoved,
  type SoFar,
} from './improve';
export { otherOrders } from './orders';
export { openingsFor, type Opening } from './openings';
