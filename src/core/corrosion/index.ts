export { ANODIC_INDEX, DIFFERENCE_LIMIT, isJudged, METAL_NAMES, type Environment } from './table';
export {
  judgePair,
  judgeCorrosion,
  environmentOf,
  pairFacts,
  type CorrosionReport,
  type MetalPair,
  type WettedMetal,
  type PairJudgement,
} from './pairs';
export { METAL_VERDICTS, type MetalVerdict, type PairFacts, type PairVerdict } from './verdict';
export { judgePolymer, type Agent, type PolymerVerdict } from './polymer';
export { judgePolymers, type WettedPolymer } from './polymers';
