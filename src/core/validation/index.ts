export {
  countIssue,
  validateDesign,
  validatePart,
  validateEdit,
  parseDesign,
  patchDesign,
  LIMITS,
  type Validated,
  type ValidationIssue,
} from './validation';
