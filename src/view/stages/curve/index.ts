export { CurveEditor } from './CurveEditor';
export { CurvePlot } from './CurvePlot';
export type { CurveOf } from './kinds';
