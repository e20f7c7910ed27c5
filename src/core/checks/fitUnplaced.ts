import { defaultPlacements, whyNoMount } from './places';
import type { SpatialRule } from './inputs';

export const fitUnplaced: SpatialRule = {
  code: 'fit.unplaced',
  severity: 'tight',
  stage: 'case',
  meaning:
    'A part of the build has no place in the case yet, so its gaps and runs cannot be measured. Give it a place.',
  source: 'the build itself',
  check: (context) =>
    context.fit.unplaced.map((u) => {
      const item = context.build.items.find((i) => i.id === u.item);
      const places = item ? defaultPlacements(context.build, item) : [];
      const reasons = item && places.length === 0 ? whyNoMount(context.build, item) : [];
      return {
        subjects: [u.item],
        title: `${item?.name ?? u.item} has no place`,
        detail: `It ${u.why.startsWith('lies') ? u.why : `cannot be placed: ${u.why}`}. Until it has one, its gaps are unknown and its runs are guesses.${reasons.length > 0 ? ` No mount takes it: ${reasons.join('; ')}.` : ''}`,
        candidates: () =>
          places.slice(0, 3).map((p) => ({
            label: p.label,
            edit: { do: 'item.place' as const, item: u.item, placement: p.placement },
          })),
      };
    }),
};
