export { quantitiesOf, readingDoubts, type Quantity } from './reading';
export { predictorFor, type Predictor } from './predict';
export {
  calibrate,
  PRIOR,
  residualsOf,
  type Calibrated,
  type Calibration,
  type Residual,
} from './calibrate';
