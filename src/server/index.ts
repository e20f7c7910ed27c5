import 'server-only';

export {
  listedBuilds,
  pageAsked,
  openBuild,
  openWorkedOut,
  readBuildAnswer,
  whyNotOpen,
  buildFile,
  addBuild,
  putBuild,
  patchBuild,
  dropBuild,
  PAGE_SIZE,
  type BuildEntry,
  type BuildList,
  type OpenedBuild,
} from './builds';
export { evaluateDocument, partsListCsv, buildPdf, provenRows } from './evaluate';
export {
  historyOf,
  momentOf,
  nameMoment,
  binEntries,
  restoreFromBin,
  removeFromBin,
  type BinEntry,
} from './history';
export { backupZip, restoreZip, MOST_BACKUP_BYTES } from './backup';
export { deviceEvents, deviceList, tellDevices } from './devices';
export { keepPhoto, photoOf, photosOf, showPhoto, MOST_PHOTO_BYTES } from './photos';
export { partsMeasured } from './measured';
export { health, type Health } from './health';
export { readForPage, type PageRead } from './page';
export { askedReader } from './reader';
export { retiredParts, retire, restore, storesOffer, partListsNow } from './retired';
export { checkParts, ownParts, putPart, dropPart } from './ownParts';
export {
  respond,
  respondWatched,
  readJson,
  readText,
  readBytes,
  download,
  safely,
  troubleAnswer,
} from './http';
export { ok, refuse, type Answer } from './answer';
export { closeStore } from './store';
export type { SummaryState } from './summaries';
