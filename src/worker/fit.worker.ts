import { expose } from 'comlink';
import { CATALOGUE } from '@/catalogue';
import type { Build } from '@/core/build';
import { whatFits, type WhatFits } from '@/core/change';

/** Every radiator of the Stores on every mount of the case, off the main thread, telling how far it is. */
const api = {
  whatFits(build: Build, tell: (share: number) => void): WhatFits {
    return whatFits(build, CATALOGUE, (done, of) => { if (done % TOLD_EVERY === 0) tell(done / of); return true; });
  },
};

/** Steps between two words of progress. */
const TOLD_EVERY = 4;

export type FitWorker = typeof api;
expose(api);
