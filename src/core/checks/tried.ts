import { applyEdit } from '../design';
import type { Fix } from './diagnostic';
import { measureGaps } from '../clearance';
import { compileSystem, type System } from '../system';
import type { SpatialInputs } from './inputs';

/** Each try places the whole case again: an edit must answer at once. */
const MOST_TRIES = 3;

/**
 * Fixes that were tried on a copy: what they are for holds, and no more parts clash than before.
 */
export function triedFixes(
  context: SpatialInputs,
  fixes: readonly Fix[],
  holds: (after: System) => boolean,
  most = 2,
): readonly Fix[] {
  const before = context.clearance.gaps.filter((g) => g.verdict === 'clash').length;
  const good: Fix[] = [];
  for (const fix of fixes.slice(0, MOST_TRIES)) {
    if (good.length >= most) break;
    const after = compileSystem(applyEdit(context.design, fix.edit).design);
    if (
      holds(after) &&
      measureGaps(after).gaps.filter((g) => g.verdict === 'clash').length <= before
    )
      good.push(fix);
  }
  return good;
}
