'use client';
import { proxy, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { WhatFits } from '@/core/change';
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
