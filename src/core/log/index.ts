export { quantitiesOf, readingDoubts, type Quantity, type Reading } from './reading';
export { AS_PRINTED, predictorFor, type Factors, type Predictor } from './predict';
export {
  calibrate,
  PRIOR,
  residualsOf,
  type Calibrated,
  type Calibration,
  type Residual,
} from './calibrate';
