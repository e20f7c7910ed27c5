export { buildToText, buildFileName, slug } from './buildFile';
export { listToCsv } from './listCsv';
export { transientToCsv } from './transientCsv';
export { bendSheetPages, bendSheetsToCsv, bendSheetToDxf, bendSheetToSvg } from './bendDrawing';
export { bracketToSvg, bracketToDxf } from './bracketDrawing';
