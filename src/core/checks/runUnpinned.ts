import { msg } from '../messages';
import type { SpatialCheck } from './inputs';

export const runUnpinned: SpatialCheck = {
  code: 'run.unpinned',
  severity: 'marginal',
  stage: 'runs',
  get meaning() {
    return msg`A run was pinned, but its ports have moved since: the pinned route no longer
      meets them, and its length is an estimate. A tube that is bent already does not fit
      there.`;
  },
  get source() {
    return msg`geometry of the ports`;
  },
  run: (context) =>
    context.unpinned.flatMap((id) => {
      const run = context.runs.find((r) => r.id === id);
      if (!run) return [];
      return [
        {
          subjects: [id],
          title: msg`${run.name} no longer fits its pinned route`,
          detail: msg`One of its ports has moved. Move the part back, or unpin it to have it
            routed again.`,
          candidates: () => [
            {
              label: msg`Unpin and route it again`,
              edit: { do: 'layout.set' as const, routes: { [id]: null } },
            },
          ],
        },
      ];
    }),
};
