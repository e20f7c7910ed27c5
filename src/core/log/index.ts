export { QUANTITY_UNIT, quantitiesOf, quantityName, readingDoubts, type Quantity } from './reading';
export { predictorFor, type Predictor } from './predict';
export {
  calibrate,
  PRIOR,
  valueIn,
  residualsOf,
  type Calibrated,
  type Calibration,
  type FactorKind,
  type Residual,
} from './calibrate';
export { measuredFrom, measuredParts, offersFor, type MeasuredPart, type Offer } from './offers';
export { CAUSES, diagnose, type CauseKind, type Diagnosis } from './diagnose';
export { shapeOf, trendsOf, type Trend } from './trend';
export { ranOn, serviceDue, serviceJobs, type DueJob, type ServiceJob } from './service';
