import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { compareRating } from '../thermal';
import { formatMeasure, formatNumber } from '../units';
import { nameOf, type OperatingCheck } from './inputs';

/**
 * Printed and modelled W/K further apart than this share are told. The model itself is good to
 * about 15 %.
 */
const APART = 0.25;

export const radiatorRating: OperatingCheck = {
  code: 'radiator.rating',
  severity: 'note',
  stage: 'cooling',
  get meaning() {
    return msg`What a radiator's maker prints, turned into watts per kelvin at its fan speed, is
      far from the model at the same speed. The model (or measured points, where there are any)
      is used.`;
  },
  get source() {
    return msg`heat over temperature difference; the model is calibrated to common practice`;
  },
  run: (context) =>
    context.thermalModel.radiators.flatMap((r): Diagnostic[] => {
      const { rating } = r.part;
      const compared = rating
        ? compareRating(context.thermalModel, context.flow, r.id, rating)
        : null;
      if (!rating || !compared || Math.abs(compared.ratio - 1) <= APART) return [];
      return [
        {
          subjects: [r.id],
          title: msg`${nameOf(context, r.id)}: ${formatNumber(rating.heat_W)} W at
            ${formatMeasure(rating.difference_K, 'K', { decimals: 1 })} are
            ${formatNumber(compared.printed_WK, { decimals: 1 })} W/K`,
          detail: msg`At ${formatNumber(rating.speed_rpm)} rpm we make it
            ${formatNumber(compared.ours_WK, { decimals: 1 })} W/K.
            ${compared.ratio > 1 ? msg`Printed figures are often taken at a larger difference, without a case around it, or with other fans.` : msg`Printed lower than the model: measured points would settle it.`}`,
          measured: compared.printed_WK,
          limit: compared.ours_WK,
          unit: 'W/K',
        },
      ];
    }),
};
