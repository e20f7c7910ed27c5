export { candidates, type Candidate, type ChangeKind } from './candidates';
export { judge, judgeChanges, bestUse, type Judged } from './judge';
