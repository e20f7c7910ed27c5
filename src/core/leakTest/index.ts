export {
  judgeAirTest,
  readingTrouble,
  TIGHT_MIN,
  TIGHT_SHARE,
  type GaugeReading,
  type LeakReport,
  type LeakVerdict,
  type TestedLoop,
} from './airTest';
export { jointsOf, testLimit, USUAL_TEST_MBAR, type Joint, type TestLimit } from './testPlan';
