'use client';
import { proxy, wrap } from 'comlink';
import type { Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import type { PartCompared, WhatFits } from '@/core/change';
import type { PartKind } from '@/core/part';
import type { FitWorker } from './fit.worker';
import { ofKinds } from './ofKinds';
import { useJob, type Job, type Start } from './useJob';

const start: Start<WhatFits> = (key, tell) => {
  const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
  const [shelves, build] = JSON.parse(key) as [Shelves, Build];
  return { worker, answer: wrap<FitWorker>(worker).whatFits(build, shelves, proxy(tell)) };
};

/** What of the Stores fits where, beside what is in. Speeds and names ask for nothing new. */
export function useWhatFits(build: Build, shelves: Shelves): Job<WhatFits> {
  return useJob(
    JSON.stringify([
      ofKinds(shelves, ['radiator', 'fan']),
      { ...build, name: '', items: build.items.map((i) => ({ ...i, settings: {} })) },
    ]),
    start,
  );
}

const startParts: Start<readonly PartCompared[]> = (key, tell) => {
  const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' }),
    [item, shelves, build] = JSON.parse(key) as [string, Shelves, Build];
  return { worker, answer: wrap<FitWorker>(worker).parts(build, item, shelves, proxy(tell)) };
};

/** Parts of one kind in an item's place, each worked out; null asks for nothing. */
export const useComparedParts = (
  build: Build,
  item: string | null,
  kind: PartKind,
  shelves: Shelves,
): Job<readonly PartCompared[]> =>
  useJob(
    item === null ? null : JSON.stringify([item, ofKinds(shelves, [kind]), { ...build, name: '' }]),
    startParts,
  );
