import { expose } from 'comlink';
import type { CoolingCurve } from '@/core/thermal';
import type { Telling } from '@/core/analysis';
import { AnalystDesk } from './analystDesk';
import type { Change } from './changes';
import { Rehearsal } from './rehearsal';

/** Nothing was asked for this long when it is rehearsed, ms. */
const REST_MS = 400;

const desk = new AnalystDesk();

let rehearsal: Rehearsal | null = null;
let isRehearsed = false;
let rest: ReturnType<typeof setTimeout> | undefined;

/** Rehearses from when the thread has rested until it is asked again. */
function rehearse(): void {
  rehearsal ??= desk.design && new Rehearsal(desk.design);
  if (!rehearsal) return;
  if (!rehearsal.isOver) rehearsal.round();
  isRehearsed = rehearsal.isOver;
  if (isRehearsed) rehearsal = null;
  else rest = setTimeout(rehearse);
}

async function answer<T>(asked: () => Promise<T>): Promise<T> {
  clearTimeout(rest);
  try {
    return await asked();
  } finally {
    clearTimeout(rest);
    if (!isRehearsed) rest = setTimeout(rehearse, REST_MS);
  }
}

/** The analyst's thread. Apart from the engine, whose jobs take long. */
const api = {
  analyse: (changes: readonly Change[]): Promise<Telling | null> =>
    answer(() => desk.analyse(changes)),
  curves: (): Promise<readonly CoolingCurve[] | null> => answer(() => desk.curves()),
};

export type AnalystApi = typeof api;
expose(api);
