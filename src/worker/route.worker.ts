import { expose } from 'comlink';
import type { Build, Edit } from '@/core/build';
import { betterPorts, compareOrders, type OrdersCompared, type PortsFound } from '@/core/change';
import { improvement, rerouteEdit, type Improvement } from '@/core/route';

type Tell = (share: number) => void;
const telling =
  (tell: Tell) =>
  (done: number, of: number): boolean => {
    tell(done / Math.max(1, of));
    return true;
  };

/** What routes through the case, off the main thread, telling how far it is. */
const api = {
  reroute(build: Build, tell: Tell): { readonly edit: Edit | null } {
    return { edit: rerouteEdit(build, telling(tell)) };
  },
  improve(build: Build, tell: Tell): { readonly found: Improvement | null } {
    return { found: improvement(build, telling(tell)) };
  },
  orders(build: Build, loop: string, tell: Tell): OrdersCompared | null {
    return compareOrders(build, loop, telling(tell));
  },
  ports(build: Build, tell: Tell): { readonly found: PortsFound | null } {
    return { found: betterPorts(build, telling(tell)) };
  },
};

export type RouteWorker = typeof api;
expose(api);
