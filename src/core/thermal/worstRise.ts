import type { CaseReport } from './report';

/** Warmest loop's rise over room, K; null when some loop has no steady state. */
export function worstRise(report: CaseReport): number | null {
  const rises = report.loops.map((l) => l.deltaT_K);
  return rises.length === 0 || rises.some((r) => r === null)
    ? null
    : Math.max(...(rises as number[]));
}
