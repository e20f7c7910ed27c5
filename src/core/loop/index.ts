export { proposeLoop, reorderLoop, insertStation, orderStations, looseParts, type LoopChoice } from './propose';
export { splitEdit, whyNoSplit, secondPump, moveInto, rowEdit, teePorts } from './branch';
export { portsOf, placeOf } from './ports';
