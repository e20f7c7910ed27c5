import type { Part } from '../components';
import type { Design, Edit } from '../design';

export type Severity = 'fails' | 'marginal' | 'note';
export type Stage =
  'heat' | 'case' | 'cooling' | 'flow' | 'materials' | 'runs' | 'parts' | 'assembly' | 'log';

/** A way out, ready to be applied. */
export interface Fix {
  readonly label: string;
  readonly edit: Edit;
  /** What a whole analysis of the changed build is asked for and its label then says. */
  readonly tells?: 'deltaT';
  /** Keys of all findings, notes apart, that are gone once it is applied; of a fix that was tried. */
  readonly clears?: readonly string[];
}

/** Searches that a way out may ask for: whoever only says what is wrong need not have them. */
export interface FixSearch {
  /** What gives a run a way that has none, each tried. */
  openings(design: Design, connection: string, offer: readonly Part[]): readonly Fix[];
}

/** The one thing every check says: plain data, as it passes between threads. */
export interface Finding {
  /** Stable; what it means stands in docs/findings.md. */
  readonly code: string;
  readonly severity: Severity;
  readonly stage: Stage;
  /** Ids of components, links, loops or mounts it is about. */
  readonly subjects: readonly string[];
  readonly title: string;
  readonly detail: string;
  readonly measured?: number;
  readonly limit?: number;
  readonly unit?: string;
  /** Where the limit comes from. */
  readonly source: string;
}

/** A finding as its check told it: its ways out can still be asked for. */
export interface OpenFinding extends Finding {
  candidates(search: FixSearch): readonly Fix[];
}

/** A check with its own description; C is what it looks at. */
export interface Check<C> {
  readonly code: string;
  readonly severity: Severity;
  readonly stage: Stage;
  /** For docs/findings.md: what it means and what to do. */
  readonly meaning: string;
  readonly source: string;
  run(context: C): readonly Diagnostic[];
}

/**
 * What a rule says each time; code, stage and, unless it says otherwise, severity and source come
 * from the rule.
 */
export type Diagnostic = Omit<Finding, 'code' | 'severity' | 'stage' | 'source'> &
  Partial<Pick<OpenFinding, 'severity' | 'source' | 'candidates'>>;

/** Runs every rule in order; findings come worst first. */
export function runChecks<C>(checks: readonly Check<C>[], context: C): OpenFinding[] {
  const found = checks.flatMap((check) =>
    check.run(context).map((diagnostic): OpenFinding => ({
      code: check.code,
      stage: check.stage,
      severity: check.severity,
      source: check.source,
      candidates: () => [],
      ...diagnostic,
    })),
  );
  return inOrder(found);
}

/** Worst first, then by code; those of one rule stay as it told them. */
export const inOrder = <F extends Finding>(findings: readonly F[]): F[] =>
  [...findings].sort(
    (a, b) => ORDER[a.severity] - ORDER[b.severity] || a.code.localeCompare(b.code),
  );

const ORDER: Record<Severity, number> = { fails: 0, marginal: 1, note: 2 };

export type Verdict = 'ok' | 'marginal' | 'fails' | 'unchecked';

/** The verdict of a list of findings: notes do not count against it. */
export function verdictOf(findings: readonly Finding[]): Verdict {
  if (findings.some((f) => f.severity === 'fails')) return 'fails';
  return findings.some((f) => f.severity === 'marginal') ? 'marginal' : 'ok';
}
