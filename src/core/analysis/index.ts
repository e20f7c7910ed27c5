export {
  createSelectors,
  declaredInputs,
  type Asked,
  type SelectorName,
  type Selectors,
} from './selectors';
export { createSession, evaluate, findingsOf, publish, workOut, type Session } from './session';
export type {
  Evaluation,
  PublishedFinding,
  Reports,
  StageState,
  StageStates,
  Workings,
} from './types';
export { isSameSpace } from './space';
export { shared } from './shared';
