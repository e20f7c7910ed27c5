import { expose } from 'comlink';
import type { Build } from '@/core/build';
import { workOut } from '@/core/evaluate';
import { coolingCurves, type CoolingCurve } from '@/core/heat';

/** Rise against noise for this build and its neighbours, off the main thread. */
const api = {
  curves(build: Build): readonly CoolingCurve[] {
    const { setup, reports } = workOut(build);
    return coolingCurves(setup, reports.flow, build.brief.loadCase);
  },
};

export type CurvesWorker = typeof api;
expose(api);
