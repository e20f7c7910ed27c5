export {
  bendSheet,
  makingOrder,
  mandrelsOf,
  planesOf,
  type BendSheet,
  type SheetBend,
} from './bendSheet';
export { onBench, type BendWay, type OnBench } from './onBench';
export { makingCautions, makingSteps } from './care';
export { springBackWords } from './springBackWords';
export { bendSteps, tubeTurn, type BendStep, type TubeTurn } from './bendSteps';
export { standingInWay, type Beside, type TubePoints } from './inTheWay';
export { lastMoveOf, putInBetween, putInOf, type PutIn, type TubeEnd } from './putIn';
export { ANGLE_ERROR_DEG, farEndOf, MARK_ERROR_MM, type FarEnd } from './farEnd';
export { putInWords } from './putInWords';
