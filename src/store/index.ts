export { openStore, StoreBusyError, type Store } from './open';
export {
  listBuilds,
  readBuild,
  createBuild,
  saveBuild,
  removeBuild,
  saveSummary,
  seedBuilds,
  type BuildRow,
  type ListedBuild,
  type Saved,
} from './builds';
export { listRetired, retirePart, restorePart } from './retired';
export { listParts, savePart, removePart, type PartRow } from './parts';
