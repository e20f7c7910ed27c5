export { bendSheet, makingOrder, planesOf, type BendSheet, type SheetBend } from './sheet';
export { makingCautions, makingSteps } from './care';
