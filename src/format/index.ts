export { buildToText, buildFileName, slug } from './buildFile';
export { listToCsv, listToJson } from './listCsv';
export { fieldsOf, guessMapping, partsFromRows, partsToCsv, readSheet, type Mapping, type Sheet } from './partRows';
export { moneyOf, readQuote, type Quote, type QuoteTrouble } from './quoteCsv';
export { transientToCsv } from './transientCsv';
export { bendSheetPages, bendSheetsToCsv, bendSheetToDxf, bendSheetToSvg } from './bendDrawing';
export { bracketToSvg, bracketToDxf } from './bracketDrawing';
