import { expose } from 'comlink';
import { offered, type Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import { compareParts, whatFits, type PartCompared, type WhatFits } from '@/core/change';

/** Every radiator of the Stores on every mount of the case, off the main thread, telling how far it is. */
const api = {
  whatFits(build: Build, shelves: Shelves, tell: (share: number) => void): WhatFits {
    return whatFits(build, offered(shelves), (done, of) => {
      if (done % TOLD_EVERY === 0) tell(done / of);
      return true;
    });
  },
  parts(
    build: Build,
    item: string,
    shelves: Shelves,
    tell: (share: number) => void,
  ): readonly PartCompared[] {
    return compareParts(build, item, offered(shelves), (done, of) => {
      tell(done / of);
      return true;
    });
  },
};

/** Steps between two words of progress. */
const TOLD_EVERY = 4;

export type FitWorker = typeof api;
expose(api);
