export { ANODIC_INDEX, DIFFERENCE_LIMIT, METAL_NAMES, type Environment } from './table';
export { judgePair, judgeMetals, environmentOf, type MetalReport, type MetalPair, type WettedMetal, type PairJudgement } from './pairs';
