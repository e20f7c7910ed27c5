import type { Finding, Fix } from './diagnostic';
import { findingKey } from './resolveFixes';

/** One change and all it solves. */
export interface FixGroup<F extends Pick<Finding, 'code' | 'subjects'>> {
  readonly fix: Fix;
  readonly findings: readonly F[];
}

/**
 * Findings grouped by what solves them: the change that clears most of them first, then the one
 * that clears most of the rest (a greedy cover). Only changes that clear two or more make a group;
 * `alone` has what is left, in its order.
 */
export function groupByFix<F extends Pick<Finding, 'code' | 'subjects' | 'severity'>>(
  findings: readonly F[],
  resolved: readonly (readonly [key: string, fixes: readonly Fix[]])[],
): { readonly groups: readonly FixGroup<F>[]; readonly alone: readonly F[] } {
  const fixes = [
    ...new Map(resolved.flatMap(([, list]) => list).map((fix) => [JSON.stringify(fix.edit), fix])),
  ].map(([, fix]) => fix);
  const groups: FixGroup<F>[] = [];
  let alone = findings;
  for (;;) {
    const best = fixes
      .map((fix) => ({ fix, findings: alone.filter((f) => fix.clears?.includes(findingKey(f))) }))
      .reduce<FixGroup<F> | null>(
        (most, group) => (group.findings.length > (most?.findings.length ?? 1) ? group : most),
        null,
      );
    if (best === null) return { groups, alone };
    groups.push(best);
    alone = alone.filter((f) => !best.findings.includes(f));
  }
}
