export {
  caseWay,
  clipStroke,
  flatBox,
  flatPoint,
  outlineOf,
  sheetSize,
  VIEW_NAMES,
  wholeBodies,
  type Flat,
  type View,
} from './project';
export { elevationSheet, ELEVATIONS, type ElevationShape, type ElevationSheet } from './sheet';
