import { withoutRoutes, type Design } from '../design';
import { analyse, type Analysis } from '../analysis';

/**
 * A build worked out as its layout says, and with its runs estimated: that once it is asked for.
 */
export interface Bases {
  readonly routed: Analysis;
  estimated(): Analysis;
}

export function basesOf(design: Design): Bases {
  const routed = analyse(design);
  let estimated: Analysis | null = null;
  return { routed, estimated: () => (estimated ??= analyse(withoutRoutes(design))) };
}

/** Tubes whose way is only estimated. */
export const unroutedIn = ({ reports }: Analysis): number =>
  reports.runs.filter((r) => r.by === 'tube' && r.estimated).length;

/**
 * Both builds on one basis: as routed where the change leaves every route as it is, with runs
 * estimated in both otherwise.
 */
export function onOneBasis(
  changed: Design,
  bases: Bases,
): readonly [now: Analysis, then: Analysis] {
  const then = analyse(changed);
  if (unroutedIn(then) === unroutedIn(bases.routed)) return [bases.routed, then];
  return [bases.estimated(), analyse(withoutRoutes(changed))];
}
