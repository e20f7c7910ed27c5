import { air } from '../fluids';
import { airAlone } from '../thermal';
import { formatCubicMetres } from '../units';
import { msg } from '../messages';
import { airFixes } from './airFixes';
import type { Diagnostic } from './diagnostic';
import { nameOf, type OperatingCheck } from './inputs';

/** Share of its air in the open from which a case is no hindrance (common practice, no source). */
const LEAST_SHARE = 0.6;

export const airStarved: OperatingCheck = {
  code: 'air.starved',
  severity: 'marginal',
  stage: 'cooling',
  get meaning() {
    return msg`The case starves the fans of a radiator or mount: too little air gets in or out.
      Reverse some fans, add a fan on a free mount, or open a vent.`;
  },
  get source() {
    return msg`the balance of all fans and openings; 60 % is common practice, no source`;
  },
  run: (context) => {
    const { brief } = context.design;
    const alone = airAlone(context.thermalModel, air(brief.room_C + 3, brief.altitude_m));
    return [...context.heat.radiators, ...context.heat.caseFans].flatMap((row): Diagnostic[] => {
      const open_m3h = alone.get(row.id) ?? 0;
      const share = row.reversed ? 0 : row.airFlow_m3h / open_m3h;
      if (open_m3h <= 0 || row.reversed || share >= LEAST_SHARE) return [];
      const [chamber] = context.heat.chambers;
      const over = (chamber?.pressure_Pa ?? 0) >= 0;
      return [
        {
          subjects: [row.id],
          title: msg`${nameOf(context, row.id)} moves ${formatCubicMetres(row.airFlow_m3h)}; in
            the open ${formatCubicMetres(open_m3h)}`,
          detail: over
            ? msg`More air is blown into the case than can get out.`
            : msg`More air is drawn out of the case than can get in.`,
          measured: 100 * share,
          limit: 100 * LEAST_SHARE,
          unit: '%',
          candidates: () => airFixes(context),
        },
      ];
    });
  },
};
