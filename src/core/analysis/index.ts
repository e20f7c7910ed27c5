export {
  createSelectors,
  declaredInputs,
  type Asked,
  type SelectorName,
  type Selectors,
} from './selectors';
export { obstructedModel } from './obstructedModel';
export { createSession, evaluate, JUDGE, publish, analyse, type Session } from './session';
export type {
  Evaluation,
  PublishedFinding,
  Reports,
  StageState,
  StageStates,
  Analysis,
} from './types';
export { isSameSpace } from './space';
export { shared } from './shared';
