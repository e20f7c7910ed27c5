export {
  countIssue,
  validateDesign,
  validatePart,
  validateEdit,
  parseDesign,
  LIMITS,
  type Validated,
  type ValidationIssue,
} from './validation';
