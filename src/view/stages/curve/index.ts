export { CurveEditor } from './CurveEditor';
export { CurvePlot } from './CurvePlot';
export { CurvePoints, type TypedCurve } from './CurvePoints';
export type { CurveOf } from './kinds';
export { FittingCurve } from './FittingCurve';
