import { formatMoney, formatNumber } from '../quantity';
import type { Said } from '../finding';
import type { BuildRule } from './context';

/** Largest share of the loop's cost any single part should have (common practice, no source). */
export const LARGEST_SHARE = 0.3;

export const overBudget: BuildRule = {
  code: 'list.over-budget', severity: 'fails', stage: 'parts',
  meaning: 'The loop\'s parts cost more than the brief\'s budget. The machine\'s own hardware does not count. Parts already owned count nothing: mark them so.',
  source: 'the brief',
  check: (context) => {
    const { loopTotal, budget, lines } = context.list;
    const { currency } = context.build.brief;
    const said: Said[] = [];
    if (budget !== null && loopTotal > budget) {
      const dearest = lines.filter((l) => l.inBudget && l.total > 0).sort((a, b) => b.total - a.total).slice(0, 3);
      said.push({ subjects: dearest.flatMap((l) => l.for), title: `${formatMoney(loopTotal - budget)} ${currency} over the budget`, detail: `The loop costs ${formatMoney(loopTotal)}, you allow ${formatMoney(budget)}. Dearest: ${dearest.map((l) => `${l.name} ${formatMoney(l.total)}`).join(', ')}.`, measured: loopTotal / 100, limit: budget / 100, unit: currency });
    }
    for (const l of lines) {
      if (!l.inBudget || l.quantity !== 1 || loopTotal === 0 || l.total / loopTotal <= LARGEST_SHARE) continue;
      said.push({ severity: 'note', subjects: l.for, title: `${l.name} is ${formatNumber((100 * l.total) / loopTotal)} % of the loop's cost`, detail: 'Careful builders keep any single part under about 30 %.', source: 'common practice, no source', measured: (100 * l.total) / loopTotal, limit: 30, unit: '%' });
    }
    return said;
  },
};
