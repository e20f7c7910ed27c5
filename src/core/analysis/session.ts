import { applyEdit, withoutRoutes, type Build, type Edit } from '../design';
import { resolveFixes, type Finding, type Fix } from '../checks';
import type { Part } from '../components';
import { createSelectors } from './selectors';
import type { Evaluation, PublishedFinding, Workings } from './types';

/** One design over its edits: the same for the page, its workers, the server and the terminal. */
export interface Session {
  readonly design: Build;
  /** Applies an edit; the edit that takes it back. Throws EditError. */
  apply(edit: Edit): Edit;
  /** Another design in its place. */
  replace(design: Build): void;
  /** Parts that fixes may offer. */
  offer(parts: readonly Part[]): void;
  /** Everything there is to say of the design; only what the last edits touched is worked out. */
  analysis(): Workings;
  /** The ways out of a finding that hold, each tried by a whole analysis. */
  fixes(finding: Finding): readonly Fix[];
}

const NO_PARTS: readonly Part[] = [];

export function createSession(design: Build, offer: readonly Part[] = NO_PARTS): Session {
  const selectors = createSelectors();
  let asked = { design, offer };
  return {
    get design() {
      return asked.design;
    },
    apply: (edit) => {
      const { build, inverse } = applyEdit(asked.design, edit);
      asked = { ...asked, design: build };
      return inverse;
    },
    replace: (next) => {
      asked = { ...asked, design: next };
    },
    offer: (parts) => {
      asked = { ...asked, offer: parts };
    },
    analysis: () => selectors.workings(asked),
    fixes: (finding) => resolveFixes(asked.design, finding, findingsOf),
  };
}

/** Everything there is to say of a design, from nothing. Pure; works on any valid design, however unfinished. */
export function workOut(
  design: Build,
  { offer = NO_PARTS }: { readonly offer?: readonly Part[] } = {},
): Workings {
  return createSession(design, offer).analysis();
}

const analysed = new WeakMap<Build, readonly Finding[]>();

/**
 * Findings of a design with its runs estimated: what fixes are judged by, since a changed design was never routed.
 * Remembered while the design lives.
 */
export function findingsOf(design: Build): readonly Finding[] {
  const known = analysed.get(design);
  if (known) return known;
  const { findings } = workOut(withoutRoutes(design));
  analysed.set(design, findings);
  return findings;
}

/** What is published of an analysis. `fixes`: ways out are tried, each by a whole analysis, a second or more. */
export function publish(design: Build, workings: Workings, fixes = false): Evaluation {
  const { reports, stages } = workings;
  const findings = workings.findings.map((finding): PublishedFinding => {
    const { candidates: _candidates, ...plain } = finding;
    return { ...plain, fixes: fixes ? resolveFixes(design, finding, findingsOf) : [] };
  });
  // A routed run's way stands beside its length, as outside checks read it.
  const runs = reports.runs.map(({ routed, ...run }) => (routed ? { ...run, ...routed } : run));
  return { reports: { ...reports, runs }, findings, stages };
}

/** The published part of an analysis from nothing: what the API and the terminal print. */
export function evaluate(
  design: Build,
  {
    offer = NO_PARTS,
    fixes = false,
  }: { readonly offer?: readonly Part[]; readonly fixes?: boolean } = {},
): Evaluation {
  return publish(design, workOut(design, { offer }), fixes);
}
