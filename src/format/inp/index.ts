export { writeInp, type InpLoop } from './write';
export { readInp, InpError, type ReadLoop } from './read';
export { inpLoops } from './loops';
