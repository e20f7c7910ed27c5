export { bendSheet, makingOrder, planesOf, type BendSheet, type SheetBend } from './bendSheet';
export { makingCautions, makingSteps } from './care';
export { bendSteps, tubeTurn, type BendStep, type TubeTurn } from './bendSteps';
