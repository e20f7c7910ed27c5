export { backupFromZip, backupToZip } from './backupZip';
export { pictureType } from './pictureType';
export { designToText, buildFileName, slug } from './buildFile';
export { listToCsv, listToJson } from './listCsv';
export { detectDecimals, readDecimal, type DecimalStyle, type DetectedDecimals } from './decimals';
export {
  asCustom,
  fieldsOf,
  figuresRead,
  guessMapping,
  isPartsExport,
  kindNamed,
  partsFromExport,
  partsFromRows,
  partsToCsv,
  readSheet,
  type Mapping,
  type Sheet,
} from './partRows';
export { readQuote, type Quote, type QuoteTrouble } from './quoteCsv';
export { workToIcs } from './ics';
export { transientToCsv } from './transientCsv';
export { bendSheetPages, bendSheetsToCsv, bendSheetToDxf, bendSheetToSvg } from './bendDrawing';
export { bracketToSvg, bracketToDxf } from './bracketDrawing';
export { elevationToSvg } from './elevationSvg';
export { readingsFromCsv, readingsToCsv, type CsvTrouble, type ReadingsRead } from './readingsCsv';
export { serviceToIcs } from './ics';
export { gaugeFromCsv, type GaugeRead } from './gaugeCsv';
