import { formatMillimetres } from '../units';
import { msg } from '../messages';
import { nameOf, type SpatialCheck } from './inputs';

/** Rounding of the points a tube is measured by, mm. */
const SLACK_MM = 0.05;

export const runClash: SpatialCheck = {
  code: 'run.clash',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A run touches something: it was pinned, and a part beside it has moved since.
      Unpin it and it is re-routed.`;
  },
  get source() {
    return msg`geometry: the tube along its route against every solid and every other tube`;
  },
  run: (context) =>
    context.runs.flatMap((run) => {
      const near = run.routed?.nearest;
      const isPinned = context.design.layout.routes[run.id]?.pinned ?? false;
      if (!near || near.gap_mm >= -SLACK_MM) return [];
      const name =
        context.runs.find((r) => r.id === near.component)?.name ??
        context.system.obstacles.find((o) => o.component === near.component)?.detail ??
        nameOf(context, near.component);
      return [
        {
          subjects: [run.id, near.component],
          title: msg`${run.name} runs into ${name}`,
          detail: msg`They overlap by ${formatMillimetres(-near.gap_mm, 1)}.`,
          measured: near.gap_mm,
          limit: 0,
          unit: 'mm',
          candidates: () =>
            isPinned
              ? [
                  {
                    label: msg`Unpin and route it again`,
                    edit: { do: 'layout.set' as const, routes: { [run.id]: null } },
                  },
                ]
              : [],
        },
      ];
    }),
};
