export { setBack, arcLength, bendStart, developedLength, bendTable, setAngle, type BendRow, type BendTable } from './bend';
export { estimateRuns, type Run } from './estimate';
