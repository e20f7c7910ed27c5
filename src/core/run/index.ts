export { setBack, arcLength, bendStart, developedLength, bendTable, setAngle, type BendRow, type BendTable } from './bend';
export { estimateRuns, type Run } from './estimate';
export { bendMarks, type BendMark, type MarkedTube } from './marks';
export type { Segment } from './segment';
