import { meetsItself } from '../routing';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { SpatialCheck } from './inputs';

export const runSelf: SpatialCheck = {
  code: 'run.self',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A tube runs through itself: two stretches of it, more than a half turn apart, are
      nearer to each other than the tube is thick. Unpin the run and let it be routed again, or
      move a leg.`;
  },
  get source() {
    return msg`geometry of the routed tube`;
  },
  run: (context) =>
    context.runs.flatMap((run): Diagnostic[] => {
      const { routed } = run;
      if (!routed || !meetsItself(routed.path, run.tube.outer_mm / 2)) return [];
      return [
        {
          subjects: [run.id],
          title: msg`${run.name} runs through itself`,
          detail: msg`Two stretches of the tube take the same place; it cannot be bent so.`,
          candidates: () => [
            {
              label: msg`Unpin and route it again`,
              edit: { do: 'layout.set', routes: { [run.id]: null } },
            },
          ],
        },
      ];
    }),
};
