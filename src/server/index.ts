import 'server-only';

export {
  shelf,
  openBuild,
  buildFile,
  addBuild,
  putBuild,
  dropBuild,
  evaluateDocument,
  partsListCsv,
  type ShelfEntry,
  type OpenedBuild,
} from './builds';
export { retiredParts, retire, restore, storesOffer, theShelves } from './retired';
export { checkParts, ownParts, putPart, dropPart } from './ownParts';
export { respond, readJson, validated } from './http';
export { ok, refuse, type Answer } from './answer';
export type { SummaryState } from './summaries';
