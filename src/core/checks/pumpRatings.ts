import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { ratingTroubles } from '../hydraulics';
import { formatMeasure } from '../units';
import { nameOf, type OperatingCheck } from './inputs';

export const pumpRatings: OperatingCheck = {
  code: 'pump.ratings',
  severity: 'note',
  stage: 'flow',
  get meaning() {
    return msg`What a pump's maker prints contradicts itself or the measured curve. The curve is
      used. A printed "pressure" far above the head is usually the burst pressure of the body.`;
  },
  get source() {
    return msg`ρ g H: a head and its pressure are one thing (any hydraulics handbook)`;
  },
  run: (context) =>
    context.design.components.flatMap((component): Diagnostic[] => {
      if (component.part.kind !== 'pump') return [];
      return ratingTroubles(component.part).map((t): Diagnostic => ({
        subjects: [component.id],
        title: msg`${nameOf(context, component.id)}: printed ${t.of} of
          ${formatMeasure(t.printed, t.unit, { decimals: t.unit === 'kPa' ? 0 : 1 })} cannot be
          what it gives`,
        detail: `${t.words} ${t.of === 'pressure' ? msg`Its head weighs` : msg`The curve says`} ${formatMeasure(t.gives, t.unit, { decimals: 1 })}.`,
        measured: t.printed,
        limit: t.gives,
        unit: t.unit,
      }));
    }),
};
