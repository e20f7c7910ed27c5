export { closePool, inPool, OverTimeError, PoolFullError } from './pool';
export type { BuildSummary, Paper } from './tasks';
