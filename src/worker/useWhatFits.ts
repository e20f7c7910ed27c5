'use client';
import { proxy, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { PartCompared, WhatFits } from '@/core/change';
import type { Part } from '@/core/part';
import type { FitWorker } from './fit.worker';
import { useJob, type Job, type Start } from './useJob';

const start: Start<WhatFits> = (key, tell) => {
  const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
  return { worker, answer: wrap<FitWorker>(worker).whatFits(JSON.parse(key) as Build, proxy(tell)) };
};

/** What of the Stores fits where, beside what is in. Speeds and names ask for nothing new. */
export function useWhatFits(build: Build): Job<WhatFits> {
  return useJob(JSON.stringify({ ...build, name: '', items: build.items.map((i) => ({ ...i, settings: {} })) }), start);
}

const startParts: Start<readonly PartCompared[]> = (key, tell) => {
  const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' }), [item, own, build] = JSON.parse(key) as [string, readonly Part[], Build];
  return { worker, answer: wrap<FitWorker>(worker).parts(build, item, own, proxy(tell)) };
};

/** Parts of one kind in an item's place, each worked out; null asks for nothing. */
export const useComparedParts = (build: Build, item: string | null, own: readonly Part[]): Job<readonly PartCompared[]> => useJob(item === null ? null : JSON.stringify([item, own, { ...build, name: '' }]), startParts);
