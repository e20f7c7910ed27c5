import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { supplyLoad, supplyVerdict } from '../thermal';
import { formatNumber, formatWatts } from '../units';
import { componentsOf, nameOf, type OperatingCheck } from './inputs';

export const supplyShort: OperatingCheck = {
  code: 'supply.short',
  severity: 'marginal',
  stage: 'heat',
  get meaning() {
    return msg`Parts, fans and pumps together have a power draw above the power supply's rating,
      or leave it less than a fifth for peaks. Peaks of graphics cards last milliseconds and are
      higher than any figure here.`;
  },
  get source() {
    return msg`the power supply's rating; a margin of a fifth is common practice, no source`;
  },
  run: (context) => {
    const load = supplyLoad(context.system, context.thermalModel);
    const verdict = load && supplyVerdict(load);
    if (!load || !verdict || verdict === 'ok') return [];
    const supplies = componentsOf(context, 'supply'),
      over = verdict === 'fails';
    return [
      {
        severity: verdict,
        subjects: supplies.map((s) => s.id),
        title: over
          ? msg`${formatWatts(load.most_W)} are more than
            ${nameOf(context, supplies[0]?.id ?? '')} gives`
          : msg`${nameOf(context, supplies[0]?.id ?? '')} has
            ${formatNumber(100 * (1 - load.most_W / load.rating_W))} % margin`,
        detail: msg`Parts, ${formatWatts(load.helpers_W)} of fans and pumps, in the heaviest
          load: ${formatWatts(load.most_W)} of ${formatWatts(load.rating_W)}.`,
        measured: load.most_W,
        limit: load.rating_W,
        unit: 'W',
      } satisfies Diagnostic,
    ];
  },
};
