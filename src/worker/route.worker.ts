import { expose } from 'comlink';
import type { Build } from '@/core/build';
import { routeBuild, type RoutedBuild } from '@/core/route';

/** All runs of a build through its case, off the main thread, telling how many are laid. */
const api = {
  route(build: Build, tell: (share: number) => void): RoutedBuild {
    return routeBuild(build, (done, of) => { tell(done / Math.max(1, of)); return true; });
  },
};

export type RouteWorker = typeof api;
expose(api);
