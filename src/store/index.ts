export { openStore, databaseUrl, type Store } from './open';
export { storeInThread } from './inThread';
export { localClient, type StoreClient } from './calls';
export { StoreTroubleError, storeTroubleOf, troubleTold, type StoreTrouble } from './trouble';
export { BIN_DAYS, type BuildRow, type BuildPage, type ListedBuild, type Saved } from './builds';
export { COPIES_KEPT } from './copies';
export type { Moment } from './history';
export type { PartRow } from './parts';
export type { Restored } from './backup';
