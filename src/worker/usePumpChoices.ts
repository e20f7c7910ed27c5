'use client';
import { proxy, wrap } from 'comlink';
import type { Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import type { PumpChoice } from '@/core/choice';
import type { PumpsWorker } from './pumps.worker';
import { ofKinds } from './ofKinds';
import { useJob, type Job, type Start } from './useJob';

const start: Start<readonly PumpChoice[]> = (key, tell) => {
  const worker = new Worker(new URL('./pumps.worker.ts', import.meta.url), { type: 'module' });
  const [loop, shelves, build] = JSON.parse(key) as [string, Shelves, Build];
  return {
    worker,
    answer: wrap<PumpsWorker>(worker).choices(
      build,
      loop,
      shelves,
      proxy((done: number, of: number) => tell(done / of)),
    ),
  };
};

/** Pumps of the Stores in a loop. The chooser looks for speeds itself, so the present one does not ask anew. */
export function usePumpChoices(
  build: Build,
  loop: string,
  shelves: Shelves,
): Job<readonly PumpChoice[]> {
  return useJob(
    JSON.stringify([
      loop,
      ofKinds(shelves, ['pump']),
      {
        ...build,
        name: '',
        items: build.items.map((i) =>
          i.part.kind === 'pump'
            ? { ...i, settings: { ...i.settings, speed_rpm: i.part.fullSpeed_rpm } }
            : i,
        ),
      },
    ]),
    start,
  );
}
