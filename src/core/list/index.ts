export { deriveList, TUBE_SPARE, type ListLine, type ListReport, type ListUnit } from './derive';
export { loopVolume, COOLANT_SPARE, type LoopVolume } from './volume';
export { sticksNeeded } from './sticks';
