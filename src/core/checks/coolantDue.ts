import { counted, msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { changeEvery } from '../bom';

import type { OperatingCheck } from './inputs';

/** Told so long before it is due, months. */
const AHEAD_MONTHS = 2;

export const coolantDue: OperatingCheck = {
  code: 'coolant.due',
  severity: 'marginal',
  stage: 'materials',
  get meaning() {
    return msg`The coolant is past the age its inhibitor and biocide last, or soon will be.
      Drain, flush, look at the fins, and refill; old coolant counts as having no
      inhibitor.`;
  },
  get source() {
    return msg`the coolant's own data; twelve months for one without an inhibitor, common
      practice, no source`;
  },
  run: ({ design }) =>
    design.loops.flatMap((loop): Diagnostic[] => {
      const every = changeEvery(loop.coolant),
        left = every - loop.coolantAge_months;
      if (loop.coolantAge_months === 0 || left > AHEAD_MONTHS) return [];
      const fixes: Fix[] = [
        {
          label: msg`It has been changed: restart its age`,
          edit: { do: 'loop.coolant', loop: loop.id, coolant: loop.coolant, age_months: 0 },
        },
      ];
      return [
        {
          severity: left > 0 ? ('note' as const) : ('marginal' as const),
          subjects: [loop.id],
          title:
            left > 0
              ? msg`${loop.name} wants new coolant in ${counted(left, '# month', '# months')}`
              : msg`${loop.name} is due for new coolant`,
          detail: msg`${loop.coolant.name} is changed every
            ${counted(every, '# month', '# months')}; it has been in for
            ${counted(loop.coolantAge_months, '# month', '# months')}. Wear gloves, keep it from
            children and pets, dispose of it by local rules.`,
          measured: loop.coolantAge_months,
          limit: every,
          candidates: () => fixes,
        },
      ];
    }),
};
