import { expose } from 'comlink';
import { offered, type Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import { judgeChanges, type Judged } from '@/core/change';
import { workOut } from '@/core/evaluate';
import { temperatureBands, type Bands } from '@/core/heat';
import { runTransient, type Scenario, type Transient } from '@/core/transient';

type Tell = (share: number) => void;

/** What of cooling takes longer than a hand waits: every single change, the bands of uncertainty, the loop over time. */
const api = {
  changes(build: Build, shelves: Shelves, tell: Tell): readonly Judged[] {
    return judgeChanges(build, offered(shelves), (done, of) => {
      tell(done / of);
      return true;
    });
  },
  bands(build: Build, tell: Tell): Bands | null {
    const { setup, reports } = workOut(build);
    return temperatureBands(setup, reports.flow, build.brief.loadCase, DRAWS, SEED, (done, of) => {
      tell(done / of);
      return true;
    });
  },
  transient(build: Build, scenario: Scenario, tell: Tell): Transient | null {
    const { setup, reports } = workOut(build);
    return runTransient(setup, reports.flow, reports.runs, scenario, (done) => {
      tell(done);
      return true;
    });
  },
};

/** Draws of a band, always from the same seed: the same build shows the same band. */
const DRAWS = 500,
  SEED = 1;

export type CoolingWorker = typeof api;
expose(api);
