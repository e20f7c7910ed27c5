import { formatMillimetres, formatMeasure, formatNumber } from '../units';
import { msg } from '../messages';
import type { SpatialCheck } from './inputs';

/** Losses worth naming, Pa at 1 m/s: about a dust filter's. */
const WORTH_PA = 1.5;

export const fitBlocked: SpatialCheck = {
  code: 'fit.blocked',
  severity: 'marginal',
  stage: 'case',
  get meaning() {
    return msg`An object is so close to a radiator or fans that it restricts the air. The
      cooling figures include the loss already. Move one of the two, or turn the radiator to
      another mount.`;
  },
  get source() {
    return msg`continuity and Bernoulli on the narrowest passage of the air: an estimate, no
      source for fans`;
  },
  run: (context) =>
    context.airflowObstructions
      .filter((a) => a.loss_Pa > WORTH_PA)
      .map((a) => ({
        subjects: [a.component],
        title: msg`The air of ${a.name} is hindered by ${a.by ?? msg`what is before it`}`,
        detail: msg`${formatMillimetres(a.gap_mm)} away, before ${formatNumber(100 * a.covered)}
          % of its face: about ${formatMeasure(a.loss_Pa, 'Pa', { decimals: 1 })} at 1 m/s, as
          much as ${formatNumber(a.loss_Pa / WORTH_PA, { decimals: 1 })} dust filters. Counted
          in the cooling.`,
        measured: a.loss_Pa,
        limit: WORTH_PA,
        unit: 'Pa',
      })),
};
