import { applyEdit } from '../build';
import type { Fix } from '../finding';
import { measureGaps } from '../fit';
import { resolve, type Model } from '../model';
import type { RuleContext } from './context';

/** Fixes that were tried on a copy: what they are for holds, and no more parts clash than before. */
export function triedFixes(context: RuleContext, fixes: readonly Fix[], holds: (after: Model) => boolean, most = 2): readonly Fix[] {
  const before = context.fit.gaps.filter((g) => g.verdict === 'clash').length;
  const good: Fix[] = [];
  for (const fix of fixes) {
    if (good.length >= most) break;
    const after = resolve(applyEdit(context.build, fix.edit).build);
    if (holds(after) && measureGaps(after).gaps.filter((g) => g.verdict === 'clash').length <= before) good.push(fix);
  }
  return good;
}
