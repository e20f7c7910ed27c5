export {
  countTrouble,
  guardBuild,
  guardPart,
  guardEdit,
  parseBuild,
  LIMITS,
  type Guarded,
  type Trouble,
} from './validation';
