export { closePool, inPool, OverTimeError, PoolFullError, type Watch } from './pool';
export type { BuildSummary, Paper } from './tasks';
