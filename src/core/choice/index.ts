export {
  pumpChoice,
  pumpChoices,
  pumpEdit,
  PUMP_WAYS,
  type PumpChoice,
  type PumpWay,
} from './pumps';
export { splitSchool, isBeside, type Arrangement, type SplitPart, type SplitSchool } from './split';
export { familyChange, familyOf, PLAIN_FAMILY, type FamilyChange } from './family';
