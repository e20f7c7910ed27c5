export {
  drawBracket,
  CLEARANCE,
  type Bracket,
  type BracketAsk,
  type BracketHole,
  type BracketTrouble,
} from './plate';
export { BRACKET_CAUTIONS, bracketSteps } from './steps';
