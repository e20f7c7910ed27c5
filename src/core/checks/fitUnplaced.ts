import { findComponent } from '../design';
import { msg, sentences } from '../messages';
import { defaultPlacements, whyNoMount } from './places';
import type { SpatialCheck } from './inputs';

export const fitUnplaced: SpatialCheck = {
  code: 'fit.unplaced',
  severity: 'marginal',
  stage: 'case',
  get meaning() {
    return msg`A part of the build has no place in the case yet, so its gaps and runs cannot be
      measured. Give it a place.`;
  },
  get source() {
    return msg`the build itself`;
  },
  run: (context) =>
    context.clearance.unplaced.map((u) => {
      const component = findComponent(context.design, u.component);
      const places = component ? defaultPlacements(context.design, component) : [];
      const reasons = component && places.length === 0 ? whyNoMount(context.design, component) : [];
      return {
        subjects: [u.component],
        title: msg`${component?.name ?? u.component} has no place`,
        detail: sentences(
          msg`It ${u.why.startsWith('lies') ? u.why : msg`cannot be placed: ${u.why}`}. Until it
            has one, its gaps are unknown and its runs are guesses.`,
          reasons.length > 0 && msg`No mount takes it: ${reasons.join('; ')}.`,
        ),
        candidates: () =>
          places.slice(0, 3).map((p) => ({
            label: p.label,
            edit: {
              do: 'component.place' as const,
              component: u.component,
              placement: p.placement,
            },
          })),
      };
    }),
};
