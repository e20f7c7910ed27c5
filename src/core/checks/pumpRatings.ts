import type { Said } from './diagnostic';
import { ratingTroubles } from '../hydraulics';
import { formatNumber } from '../units';
import { nameOf, type BuildRule } from './inputs';

export const pumpRatings: BuildRule = {
  code: 'pump.ratings',
  severity: 'note',
  stage: 'flow',
  meaning:
    'What a pump\'s maker prints contradicts itself or the measured curve. The curve is used. A printed "pressure" far above the head is usually what the body stands before it bursts.',
  source: 'ρ g H: a head and its pressure are one thing (any hydraulics handbook)',
  check: (context) =>
    context.build.components.flatMap((component): Said[] => {
      if (component.part.kind !== 'pump') return [];
      return ratingTroubles(component.part).map((t): Said => ({
        subjects: [component.id],
        title: `${nameOf(context, component.id)}: printed ${t.of} of ${formatNumber(t.printed, { decimals: t.unit === 'kPa' ? 0 : 1 })} ${t.unit} cannot be what it gives`,
        detail: `${t.words} ${t.of === 'pressure' ? 'Its head weighs' : 'The curve says'} ${formatNumber(t.gives, { decimals: 1 })} ${t.unit}.`,
        measured: t.printed,
        limit: t.gives,
        unit: t.unit,
      }));
    }),
};
