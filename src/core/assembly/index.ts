export { PLUGS, unitsOf, type Unit } from './unit';
export { freeWay, insertionsOf, type Insertion } from './insertion';
export { metOnWayIn } from './wayIn';
export { DRIVER_MM, NUT_MM, PLUG_MM, reachesOf, type Reach } from './reach';
export { assemblyOrder, orderTroubles, type OrderTrouble, type Turn } from './order';
export { STEP_KINDS, type CautionId, type Minutes, type Step, type StepKind } from './step';
export { assemblySteps, AIR_TEST_H, WATER_TEST_H, type AssemblyInputs } from './steps';
export {
  hoursTrouble,
  planWork,
  type Delivery,
  type Planned,
  type WallMinutes,
  type WorkingHours,
} from './calendar';
export { airTestReport, testedLoop } from './testedLoop';
export { CAUTIONS } from './cautions';
export { deliveriesOf } from './deliveries';
export { returnWindows, type ReturnWindow } from './returns';
export { quoteOf, type Quote } from './quote';
export { dismantling, type Undoing } from './dismantle';
