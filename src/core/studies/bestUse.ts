import type { EvaluatedVariant } from './evaluateVariant';

/** Cooling worth naming, K. */
const WORTH_K = 0.1;

/**
 * Best use of an amount of money: the affordable change that fits, is no louder where you sit and
 * cools most; null when none gains.
 */
export function bestUse(
  changes: readonly EvaluatedVariant[],
  most_minor: number,
): EvaluatedVariant | null {
  const fair = changes.filter(
    (c) =>
      c.troubles.length === 0 &&
      c.cost_minor <= most_minor &&
      c.deltaT_K !== null &&
      c.deltaT_K < -WORTH_K &&
      c.noise_dBA < 1,
  );
  return fair.reduce<EvaluatedVariant | null>(
    (a, b) => (a && (a.deltaT_K as number) <= (b.deltaT_K as number) ? a : b),
    null,
  );
}
