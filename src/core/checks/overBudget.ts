import { msg, formatPrice } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';

export const overBudget: OperatingCheck = {
  code: 'list.over-budget',
  severity: 'fails',
  stage: 'parts',
  get meaning() {
    return msg`The loop's parts cost more than the brief's budget. Existing hardware does not
      count. Parts already owned count nothing: mark them so.`;
  },
  get source() {
    return msg`the brief`;
  },
  run: (context) => {
    const { loopTotal, budget, lines } = context.bom;
    const { currency } = context.design.brief;
    const diagnostic: Diagnostic[] = [];
    if (budget !== null && loopTotal > budget) {
      const dearest = lines
        .filter((l) => l.inBudget && l.total > 0)
        .sort((a, b) => b.total - a.total)
        .slice(0, 3);
      diagnostic.push({
        subjects: dearest.flatMap((l) => l.for),
        title: msg`${formatPrice(loopTotal - budget, currency)} over the budget`,
        detail: msg`The loop costs ${formatPrice(loopTotal, currency)}, you allow ${formatPrice(budget, currency)}.
          Dearest: ${dearest.map((l) => `${l.name} ${formatPrice(l.total, currency)}`).join(', ')}.`,
        measured: loopTotal / 100,
        limit: budget / 100,
        unit: currency,
      });
    }
    return diagnostic;
  },
};
