export {
  fillPlan,
  fillTrouble,
  KEEP_SHARE,
  type FilledLoop,
  type FillPlan,
  type Pulse,
} from './fillPlan';
export { airPockets, daysToClear, type AirPocket } from './bleed';
