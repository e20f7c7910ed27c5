'use client';
import { proxy, wrap, type Remote } from 'comlink';
import type { Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import type { Judged } from '@/core/change';
import type { Bands } from '@/core/heat';
import type { Scenario, Transient } from '@/core/transient';
import type { CoolingWorker } from './cooling.worker';
import { ofKinds } from './ofKinds';
import { useJob, type Job, type Start } from './useJob';

const starting =
  <R>(
    ask: (
      api: Remote<CoolingWorker>,
      key: string,
      tell: (share: number) => void,
    ) => Promise<R | null>,
  ): Start<R> =>
  (key, tell) => {
    const worker = new Worker(new URL('./cooling.worker.ts', import.meta.url), { type: 'module' });
    return { worker, answer: ask(wrap<CoolingWorker>(worker), key, tell) };
  };

const changes = starting<readonly Judged[]>((api, key, tell) => {
  const [shelves, build] = JSON.parse(key) as [Shelves, Build];
  return api.changes(build, shelves, proxy(tell));
});
const bands = starting<Bands>((api, key, tell) => api.bands(JSON.parse(key) as Build, proxy(tell)));
const transient = starting<Transient>((api, key, tell) => {
  const [build, scenario] = JSON.parse(key) as [Build, Scenario];
  return api.transient(build, scenario, proxy(tell));
});

const asked = (build: Build): string => JSON.stringify({ ...build, name: '' });

/** Every single change to a build, judged whole. */
export const useChanges = (build: Build, shelves: Shelves): Job<readonly Judged[]> =>
  useJob(
    JSON.stringify([
      ofKinds(shelves, ['radiator', 'fan', 'pump', 'block', 'case']),
      { ...build, name: '' },
    ]),
    changes,
  );
/** Where temperatures fall when what is uncertain varies. */
export const useBands = (build: Build): Job<Bands> => useJob(asked(build), bands);
/** The build over time; null asks for nothing. */
export const useTransient = (build: Build, scenario: Scenario | null): Job<Transient> =>
  useJob(scenario && JSON.stringify([{ ...build, name: '' }, scenario]), transient);
