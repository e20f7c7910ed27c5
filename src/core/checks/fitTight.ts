import { formatMillimetres } from '../units';
import { msg } from '../messages';
import { fitFixes } from './fitFixes';
import type { SpatialCheck } from './inputs';

/** Fixes are tried for the tightest pairs alone: an edit must answer at once. */
const MOST_PAIRS = 3;

export const fitTight: SpatialCheck = {
  code: 'fit.tight',
  severity: 'marginal',
  stage: 'case',
  get meaning() {
    return msg`Two things clear each other by less than the brief asks. It may go in, but
      tolerances or a tool may not. Look at the worst case before buying. Fixes were tried and
      bring the pair clear.`;
  },
  get source() {
    return msg`geometry; the limit is the brief's (5 mm by common practice, no source)`;
  },
  run: (context) =>
    context.clearance.gaps
      .filter((g) => g.verdict === 'marginal')
      .map((g, i) => ({
        subjects: [g.a, g.b],
        title: msg`${g.nameA} is ${formatMillimetres(g.gap_mm, 1)} from ${g.nameB}`,
        detail: msg`With both at the far end of their tolerance,
          ${formatMillimetres(g.worst_mm, 1)}. The limit is
          ${formatMillimetres(context.design.brief.limits.clear_mm)}.`,
        measured: g.gap_mm,
        limit: context.design.brief.limits.clear_mm,
        unit: 'mm',
        candidates: () => (i < MOST_PAIRS ? fitFixes(context, g) : []),
      })),
};
