'use client';
import { proxy, wrap } from 'comlink';
import type { Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import type { Fix } from '@/core/finding';
import type { FixesWorker } from './fixes.worker';
import { useJob, type Job, type Start } from './useJob';

type Resolved = readonly (readonly [key: string, fixes: readonly Fix[]])[];

const start: Start<Resolved> = (key, tell) => {
  const worker = new Worker(new URL('./fixes.worker.ts', import.meta.url), { type: 'module' });
  const [keys, shelves, build] = JSON.parse(key) as [readonly string[], Shelves, Build];
  return { worker, answer: wrap<FixesWorker>(worker).fixes(build, keys, shelves, proxy(tell)) };
};

type UseFixes = (
  build: Build,
  keys: readonly string[],
  shelves: Shelves,
) => Pick<Job<Resolved>, 'fresh' | 'result'>;

const useFixesInWorker: UseFixes = (build, keys, shelves) =>
  useJob(keys.length === 0 ? null : JSON.stringify([keys, shelves, { ...build, name: '' }]), start);

/** Where fixes are resolved: a worker; tests without one put their own here. */
export const FIXES_SOURCE: { use: UseFixes } = { use: useFixesInWorker };

/** The fixes that hold of the findings shown; no findings ask for nothing. */
export const useFixes: UseFixes = (build, keys, shelves) => FIXES_SOURCE.use(build, keys, shelves);
