import type { Fix, Diagnostic } from './diagnostic';
import { changeEvery } from '../bom';
import { plural } from '../units';
import type { OperatingCheck } from './inputs';

/** Told so long before it is due, months. */
const AHEAD_MONTHS = 2;

export const coolantDue: OperatingCheck = {
  code: 'coolant.due',
  severity: 'marginal',
  stage: 'materials',
  meaning:
    'The coolant is past the age its inhibitor and biocide last, or soon will be. Drain, flush, look at the fins, and fill anew; old coolant counts as having no inhibitor.',
  source:
    "the coolant's own data; twelve months for one without an inhibitor, common practice, no source",
  run: ({ design }) =>
    design.loops.flatMap((loop): Diagnostic[] => {
      const every = changeEvery(loop.coolant),
        left = every - loop.coolantAge_months;
      if (loop.coolantAge_months === 0 || left > AHEAD_MONTHS) return [];
      const fixes: Fix[] = [
        {
          label: 'It has been changed: start anew',
          edit: { do: 'loop.coolant', loop: loop.id, coolant: loop.coolant, age_months: 0 },
        },
      ];
      return [
        {
          severity: left > 0 ? ('note' as const) : ('marginal' as const),
          subjects: [loop.id],
          title:
            left > 0
              ? `${loop.name} wants new coolant in ${plural(left, 'month')}`
              : `${loop.name} is due for new coolant`,
          detail: `${loop.coolant.name} is changed every ${plural(every, 'month')}; it has been in for ${plural(loop.coolantAge_months, 'month')}. Wear gloves, keep it from children and pets, dispose of it by local rules.`,
          measured: loop.coolantAge_months,
          limit: every,
          candidates: () => fixes,
        },
      ];
    }),
};
