export {
  bendSheet,
  makingOrder,
  mandrelsOf,
  planesOf,
  type BendSheet,
  type SheetBend,
} from './bendSheet';
export { makingCautions, makingSteps } from './care';
export { springBackWords } from './springBackWords';
export { bendSteps, tubeTurn, type BendStep, type TubeTurn } from './bendSteps';
