import type { Finding, Judge } from '../checks';
import { withoutRoutes, type Design } from '../design';
import { openingsFor } from '../layoutSearch';
import { worstRise } from '../thermal';
import { analyse } from './session';
import type { Analysis } from './types';

/** What is found of a design, remembered while the design lives. */
function remembered<T>(find: (design: Design) => T): (design: Design) => T {
  const known = new WeakMap<Design, T>();
  return (design) => {
    let found = known.get(design);
    if (!found) {
      found = find(design);
      known.set(design, found);
    }
    return found;
  };
}

/** What fixes are judged by: a changed design has the routes that its change leaves it. */
export const JUDGE: Judge = {
  asRouted: (design) => JUDGED.asRouted(design).findings,
  estimated: (design) => JUDGED.estimated(design).findings,
  deltaT_K: (design, basis) => JUDGED[basis](design).deltaT_K,
  openings: openingsFor,
};
const JUDGED = {
  asRouted: remembered((design) => judgedBy(analyse(design))),
  estimated: remembered((design) => judgedBy(analyse(withoutRoutes(design)))),
};

function judgedBy({ findings, reports, system }: Analysis): {
  readonly findings: readonly Finding[];
  readonly deltaT_K: number | null;
} {
  return { findings, deltaT_K: worstRise(reports.heat[system.design.brief.loadCase]) };
}
