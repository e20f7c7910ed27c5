import { applyEdit, withoutRoutes, type Design, type Edit } from '../design';
import { resolveFixes, type Finding, type Fix, type Judge } from '../checks';
import type { Part } from '../components';
import { worstRise } from '../thermal';
import { createSelectors } from './selectors';
import type { Evaluation, PublishedFinding, Analysis } from './types';

/** One design over its edits: the same for the page, its workers, the server and the terminal. */
export interface Session {
  readonly design: Design;
  /** Applies an edit; the edit that takes it back. Throws EditError. */
  apply(edit: Edit): Edit;
  /** Another design in its place. */
  replace(design: Design): void;
  /** Parts that fixes may offer. */
  offer(parts: readonly Part[]): void;
  /** Everything there is to say of the design; only what the last edits touched is worked out. */
  analysis(): Analysis;
  /** The ways out of a finding that hold, each tried by a whole analysis. */
  fixes(finding: Finding): readonly Fix[];
}

const NO_PARTS: readonly Part[] = [];

export function createSession(design: Design, offer: readonly Part[] = NO_PARTS): Session {
  const selectors = createSelectors();
  let asked = { design, offer };
  return {
    get design() {
      return asked.design;
    },
    apply: (edit) => {
      const { design, inverse } = applyEdit(asked.design, edit);
      asked = { ...asked, design };
      return inverse;
    },
    replace: (next) => {
      asked = { ...asked, design: next };
    },
    offer: (parts) => {
      asked = { ...asked, offer: parts };
    },
    analysis: () => selectors.analysis(asked),
    fixes: (finding) => resolveFixes(asked.design, finding, JUDGE),
  };
}

/**
 * Everything there is to say of a design, from nothing. Pure; works on any valid design, however
 * unfinished.
 */
export function analyse(
  design: Design,
  { offer = NO_PARTS }: { readonly offer?: readonly Part[] } = {},
): Analysis {
  return createSession(design, offer).analysis();
}

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

/**
 * What is published of an analysis. `fixes`: ways out are tried, each by a whole analysis, a second
 * or more.
 */
export function publish(design: Design, analysis: Analysis, fixes = false): Evaluation {
  const { reports, stages } = analysis;
  const findings = analysis.findings.map((finding): PublishedFinding => {
    const { candidates: _candidates, ...plain } = finding;
    return { ...plain, fixes: fixes ? resolveFixes(design, finding, JUDGE) : [] };
  });
  // A routed run's way stands beside its length, as outside checks read it.
  const runs = reports.runs.map(({ routed, ...run }) => (routed ? { ...run, ...routed } : run));
  return { reports: { ...reports, runs }, findings, stages };
}

/** The published part of an analysis from nothing: what the API and the terminal print. */
export function evaluate(
  design: Design,
  {
    offer = NO_PARTS,
    fixes = false,
  }: { readonly offer?: readonly Part[]; readonly fixes?: boolean } = {},
): Evaluation {
  return publish(design, analyse(design, { offer }), fixes);
}
