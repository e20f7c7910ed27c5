import { formatMeasure, formatNumber, formatShown } from '@/core/units';
import type { Gap } from '@/core/clearance';
import type { GapJudged } from '@/core/studies';
import type { Reason } from '@/view/shared';
import { msg } from '@/core/messages';

export const reasonForGap = (g: Gap, judged?: GapJudged): Reason => ({
  title: msg`${g.nameA} and ${g.nameB}`,
  formula: msg`Shortest distance of the two bodies, boxes or cylinders; when they overlap, minus
    the shortest move that parts them.`,
  inputs: [
    { name: msg`nominal`, value: `${formatMeasure(g.gap_mm, 'mm', { decimals: 1 })}` },
    {
      name: msg`both at the end of their tolerance`,
      value: `${formatMeasure(g.worst_mm, 'mm', { decimals: 1 })}`,
    },
    {
      name: msg`expected of two made independently (root of the sum of squares)`,
      value: `${formatMeasure(g.rss_mm, 'mm', { decimals: 1 })}`,
    },
    ...chancesOf(judged),
  ],
  source: judged
    ? msg`geometry of the placed parts; a tolerance as three standard deviations (common practice,
      no source)`
    : msg`geometry of the placed parts`,
});

/** How a gap falls out over many builds, where its verdict may turn. */
const chancesOf = (judged: GapJudged | undefined): Reason['inputs'] =>
  judged?.band
    ? [
        {
          name: msg`90 % of such builds`,
          value: msg`${formatShown(judged.band.low, 'mm', { decimals: 1 })} to
            ${formatMeasure(judged.band.high, 'mm', { decimals: 1 })}`,
        },
        { name: msg`the two touch`, value: msg`${formatNumber(100 * judged.beyond)} in 100` },
        {
          name: msg`less is left than the brief keeps clear`,
          value: msg`${formatNumber(100 * judged.tight)} in 100`,
        },
      ]
    : [];
