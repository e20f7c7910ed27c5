import { formatMoney, formatNumber } from '../units';
import { msg } from '../messages';
import type { OperatingCheck } from './inputs';

/**
 * Careful builders keep any single part under this share of the loop's cost (common practice, no
 * source).
 */
const SHARE = 0.3;
/** Below this total a share says nothing: the list has only begun, minor units. */
const LEAST_MINOR = 20000;

export const listShare: OperatingCheck = {
  code: 'list.share',
  severity: 'note',
  stage: 'parts',
  get meaning() {
    return msg`One part takes more than three tenths of what the loop costs. Where money is
      short, it is the first place to look.`;
  },
  get source() {
    return msg`the list's own sums; 30 % by common practice, no source`;
  },
  run: ({ bom: list }) =>
    list.loopTotal < LEAST_MINOR
      ? []
      : list.lines
          .filter(
            (l) => l.inBudget && l.quantity > 0 && l.total / l.quantity > SHARE * list.loopTotal,
          )
          .map((l) => ({
            subjects: l.for,
            title: msg`${l.name} is
              ${formatNumber((100 * l.total) / l.quantity / list.loopTotal)} % of the loop`,
            detail: msg`${formatMoney(l.unitPrice)} of ${formatMoney(list.loopTotal)}. The
              catalogue has cheaper ones of its kind; compare what they would do in this
              build.`,
            measured: l.total / l.quantity / list.loopTotal,
            limit: SHARE,
          })),
};
