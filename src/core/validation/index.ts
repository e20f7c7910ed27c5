export {
  countIssue,
  validateDesign,
  validatePart,
  validateReadings,
  validateEdit,
  parseDesign,
  patchDesign,
  LIMITS,
  type Validated,
  type ValidationIssue,
} from './validation';
