import 'server-only';

export { shelf, openBuild, addBuild, putBuild, dropBuild, evaluateDocument, type ShelfEntry, type OpenedBuild } from './shelf';
export { retiredParts, retire, restore, storesOffer } from './retired';
export { checkParts, ownParts, putPart, dropPart } from './ownParts';
export { respond, readJson, guarded } from './http';
export { ok, refuse, type Answer } from './answer';
