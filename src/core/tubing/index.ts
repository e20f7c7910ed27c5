export {
  setBack,
  arcLength,
  bendStart,
  developedLength,
  bendTable,
  bendCorners,
  radiusAt,
  type BendPose,
  type BendRadii,
  type BendRow,
  type BendTable,
} from './bend';
export {
  adaptersOf,
  estimateRuns,
  nameRuns,
  INSERTION_MM,
  type LyingTube,
  type Run,
  type RunInSpace,
} from './estimate';
export { bendMarks, trimFor, TRIM_MM, type BendMark, type MarkedTube } from './marks';
export {
  coldSpringBack,
  formerRadius,
  isBentCold,
  setAngle,
  springBackOf,
  type SpringBack,
} from './springBack';
export { CLIP_EVERY_MM, clipCount } from './clips';
export { elasticCurve, type Clamp, type ElasticCurve } from './elastic';
export { linkVolume, standingVolumes } from './volume';
export { pieceOf } from './piece';
export { capBodies, extended, sideways, turned, type EndBody, type PieceStack } from './stack';
export { onArc, type Segment } from './segment';
