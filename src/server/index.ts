import 'server-only';

export {
  listedBuilds,
  openBuild,
  buildFile,
  addBuild,
  putBuild,
  dropBuild,
  evaluateDocument,
  partsListCsv,
  type BuildEntry,
  type OpenedBuild,
} from './builds';
export { retiredParts, retire, restore, storesOffer, partListsNow } from './retired';
export { checkParts, ownParts, putPart, dropPart } from './ownParts';
export { respond, respondWatched, readJson, safely } from './http';
export { ok, refuse, type Answer } from './answer';
export type { SummaryState } from './summaries';
