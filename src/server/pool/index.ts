export {
  closePool,
  inPool,
  printed,
  waitingTasks,
  OverTimeError,
  PoolFullError,
  type Watch,
} from './pool';
export { MOST_CHECKED, type Accepted, type BuildSummary } from './tasks';
