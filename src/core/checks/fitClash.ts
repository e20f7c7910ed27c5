import { msg } from '../messages';
import { fitFixes } from './fitFixes';
import { formatMillimetres } from '../units';
import type { SpatialCheck } from './inputs';

export const fitClash: SpatialCheck = {
  code: 'fit.clash',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`Two things would have to be in the same place. The number is how far they reach
      into each other along the shortest way out. Slide, turn or change one of them; every fix
      offered has been tried and works.`;
  },
  get source() {
    return msg`geometry of the placed parts`;
  },
  run: (context) =>
    context.clearance.gaps
      .filter((g) => g.verdict === 'clash')
      .map((g) => ({
        subjects: [g.a, g.b],
        title: msg`${g.nameA} runs into ${g.nameB}`,
        detail: msg`They overlap by ${formatMillimetres(-g.gap_mm, 1)}.
          ${g.b.startsWith('case:') ? msg`The case does not give there.` : msg`One of them must move, turn or become thinner.`}`,
        measured: g.gap_mm,
        limit: 0,
        unit: 'mm',
        candidates: () => fitFixes(context, g),
      })),
};
