import { resolveFixes } from '../checks';
import type { Part } from '../components';
import type { Design } from '../design';
import { JUDGE } from './judge';
import { analyse } from './session';
import type { Evaluation, OpenAnalysis, PublishedFinding } from './types';

/**
 * What is published of an analysis. `fixes`: ways out are tried, each by a whole analysis, a second
 * or more.
 */
export function publish(design: Design, analysis: OpenAnalysis, fixes = false): Evaluation {
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
    offer = [],
    fixes = false,
  }: { readonly offer?: readonly Part[]; readonly fixes?: boolean } = {},
): Evaluation {
  return publish(design, analyse(design, { offer }), fixes);
}
