export { BEND_MM, MOST_ORDERED, ordersByEstimate, type EstimatedOrder } from './orders';
export { capAdapters, capFits, fittingBodies, lowestDrain } from './drainPort';
export {
  proposeLoop,
  reorderLoop,
  insertStation,
  orderStations,
  looseParts,
  type LoopChoice,
} from './propose';
export { splitEdit, whyNoSplit, secondPump, moveInto, rowEdit, teePorts } from './branch';
export { drawRun, lineOnto, putIntoRun, runAt, type Drawn, type PutIn } from './draw';
export { draining, fillLevel, topOf, trappedAir, type Draining, type Pocket } from './levels';
export { portsOf, placeOf } from './ports';
export { replaceWithPlugs } from './replaceWithPlugs';
export { fittingFor } from './fittingFor';
