export { freedomOf } from './freedom';
export { leastJoint, type Factor } from './eliminate';
export { variablesOf, type PartState, type Variable } from './states';
export { costOfChoice, leastChoice, type Choice } from './search';
export { changesOf, improvedLayout, type ImprovedLayout, type PartMoved } from './improve';
