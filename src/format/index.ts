export { buildToText, buildFileName, slug } from './buildFile';
export { listToCsv } from './listCsv';
export { transientToCsv } from './transientCsv';
export { bracketToSvg, bracketToDxf } from './bracketDrawing';
