export {
  createSelectors,
  declaredInputs,
  type Asked,
  type SelectorName,
  type Selectors,
} from './selectors';
export { obstructedModel } from './obstructedModel';
export { JUDGE } from './judge';
export { evaluate, publish } from './publish';
export { analyse, createSession, type Session } from './session';
export type {
  Evaluation,
  PublishedFinding,
  Reports,
  StageState,
  StageStates,
  Analysis,
  OpenAnalysis,
  Told,
} from './types';
export {
  createCompiler,
  createListener,
  heard,
  isInWordsNow,
  tell,
  tellChanges,
  type Telling,
} from './told';
export { isOnlyMoved, isSameSpace } from './space';
export { shared } from './shared';
