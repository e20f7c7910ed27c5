import type { Said } from '../finding';
import { drawOf, shareOf } from '../heat';
import { LOAD_CASES } from '../part';
import { formatNumber, formatWatts } from '../quantity';
import { itemsOf, nameOf, type BuildRule } from './context';

/** A supply is left this much room for short peaks (common practice, no source). */
const ROOM = 0.2;

export const supplyShort: BuildRule = {
  code: 'supply.short', severity: 'tight', stage: 'heat',
  meaning: 'Parts, fans and pumps together draw more than the power supply is made for, or leave it less than a fifth for peaks. Peaks of graphics cards last milliseconds and are higher than any figure here.',
  source: 'the supply\'s rating; a fifth to spare is common practice, no source',
  check: (context) => {
    const supplies = itemsOf(context, 'supply');
    const rating = supplies.reduce((s, i) => s + (i.part.kind === 'supply' ? i.part.rating_W : 0), 0);
    if (rating === 0) return [];
    const helpers = context.build.items.reduce((s, i) => s + (i.part.kind === 'pump' ? i.part.power_W : i.part.kind === 'fan' ? i.part.power_W * (context.model.placed.get(i.id)?.count ?? 1) : 0), 0);
    const loads = [...LOAD_CASES, 'own' as const].map((c) => context.setup.sources.reduce((s, x) => s + drawOf(x) * shareOf(x, c), 0) + helpers);
    const most = Math.max(...loads);
    if (most <= rating * (1 - ROOM)) return [];
    const over = most > rating;
    return [{
      severity: over ? 'fails' as const : 'tight' as const, subjects: supplies.map((s) => s.id),
      title: over ? `${formatWatts(most)} are more than ${nameOf(context, supplies[0]?.id ?? '')} gives` : `${nameOf(context, supplies[0]?.id ?? '')} has ${formatNumber(100 * (1 - most / rating))} % to spare`,
      detail: `Parts, ${formatWatts(helpers)} of fans and pumps, in the heaviest load: ${formatWatts(most)} of ${formatWatts(rating)}.`, measured: most, limit: rating, unit: 'W',
    } satisfies Said];
  },
};
