export { openStore, type Store } from './open';
export { listBuilds, readBuild, createBuild, saveBuild, removeBuild, seedBuilds, type BuildRow, type Saved } from './builds';
export { listRetired, retirePart, restorePart } from './retired';
export { listParts, savePart, removePart, type PartRow } from './parts';
