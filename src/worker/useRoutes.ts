'use client';
import { proxy, wrap, type Remote } from 'comlink';
import type { Build, Edit } from '@/core/build';
import type { OrdersCompared, PortsFound } from '@/core/change';
import type { Improvement } from '@/core/route';
import type { RouteWorker } from './route.worker';
import { useJob, type Job, type Start } from './useJob';

const starting =
  <R>(
    ask: (
      api: Remote<RouteWorker>,
      key: string,
      tell: (share: number) => void,
    ) => Promise<R | null>,
  ): Start<R> =>
  (key, tell) => {
    const worker = new Worker(new URL('./route.worker.ts', import.meta.url), { type: 'module' });
    return { worker, answer: ask(wrap<RouteWorker>(worker), key, tell) };
  };
const reroutes = starting<{ readonly edit: Edit | null }>((api, key, tell) =>
  api.reroute(JSON.parse(key) as Build, proxy(tell)),
);
const improvements = starting<{ readonly found: Improvement | null }>((api, key, tell) =>
  api.improve(JSON.parse(key) as Build, proxy(tell)),
);
const orders = starting<OrdersCompared>((api, key, tell) => {
  const [loop, build] = JSON.parse(key) as [string, Build];
  return api.orders(build, loop, proxy(tell));
});
const ports = starting<{ readonly found: PortsFound | null }>((api, key, tell) =>
  api.ports(JSON.parse(key) as Build, proxy(tell)),
);

/** Names, speeds and money ask for nothing new; what is to be kept visible does. */
export const inSpace = (build: Build): string =>
  JSON.stringify({
    ...build,
    name: '',
    items: build.items.map((i) => ({
      ...i,
      settings: i.settings.inView === undefined ? {} : { inView: i.settings.inView },
    })),
  });

/** The edit that routes what is not routed, or no longer holds; null asks for nothing. */
export const useReroute = (build: Build | null): Job<{ readonly edit: Edit | null }> =>
  useJob(build && inSpace(build), reroutes);
/** What routing everything afresh would gain; null asks for nothing. */
export const useImprovement = (build: Build | null): Job<{ readonly found: Improvement | null }> =>
  useJob(build && inSpace(build), improvements);
/** Orders of a loop's parts, laid and judged; null asks for nothing. Speeds count: temperatures stand beside. */
export const useOrders = (build: Build, loop: string | null): Job<OrdersCompared> =>
  useJob(loop === null ? null : JSON.stringify([loop, { ...build, name: '' }]), orders);
/** Better ports for the runs, if there are any; null asks for nothing. */
export const useBetterPorts = (build: Build | null): Job<{ readonly found: PortsFound | null }> =>
  useJob(build && inSpace(build), ports);
