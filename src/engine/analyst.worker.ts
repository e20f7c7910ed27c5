import { expose } from 'comlink';
import { AnalystDesk } from './analystDesk';
import type { Change } from './changes';

const desk = new AnalystDesk();

/** The analyst's thread. Apart from the engine, whose jobs take long. */
const api = {
  analyse: (changes: readonly Change[]) => desk.analyse(changes),
  curves: () => desk.curves(),
};

export type AnalystApi = typeof api;
expose(api);
