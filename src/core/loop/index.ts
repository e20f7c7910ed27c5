export { proposeLoop, reorderLoop, insertStation, orderStations, looseParts, type LoopChoice } from './propose';
export { portsOf, placeOf } from './ports';
