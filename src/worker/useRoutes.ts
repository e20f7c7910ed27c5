'use client';
import { proxy, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { RoutedBuild } from '@/core/route';
import type { RouteWorker } from './route.worker';
import { useJob, type Job, type Start } from './useJob';

const start: Start<RoutedBuild> = (key, tell) => {
  const worker = new Worker(new URL('./route.worker.ts', import.meta.url), { type: 'module' });
  return { worker, answer: wrap<RouteWorker>(worker).route(JSON.parse(key) as Build, proxy(tell)) };
};

/** The runs of a build, routed; null asks for nothing. Names, speeds and money ask for nothing new. */
export function useRoutes(build: Build | null): Job<RoutedBuild> {
  return useJob(build && JSON.stringify({ ...build, name: '', items: build.items.map((i) => ({ ...i, settings: {} })) }), start);
}
