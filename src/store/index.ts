export { openStore, type Store } from './open';
export { listBuilds, readBuild, createBuild, saveBuild, removeBuild, seedBuilds, type BuildRow, type Saved } from './builds';
export { listParts, savePart, removePart, type PartRow } from './parts';
