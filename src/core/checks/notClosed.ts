import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { reorderLoop } from '../loops';
import { nameOf, type SpatialCheck } from './inputs';

export const notClosed: SpatialCheck = {
  code: 'rule.not-closed',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`The runs of a loop do not come back to where they started, or leave some runs
      aside. Coolant must go round.`;
  },
  get source() {
    return msg`the build's runs`;
  },
  run: (context) =>
    context.system.loops.flatMap((g): Diagnostic[] => {
      if (g.loop.connections.length === 0 || g.closed || g.branched) return [];
      const last = g.stations.find((s) => !g.loop.connections.some((l) => l.from.component === s));
      return [
        {
          subjects: [g.loop.id, ...(last ? [last] : [])],
          title: msg`${g.loop.name} is not closed`,
          detail: last
            ? msg`It ends at ${nameOf(context, last)}.`
            : msg`Its runs fall into separate circles.`,
          candidates: () => [
            {
              label: msg`Re-route in this order`,
              edit: reorderLoop(context.design, g.loop.id, g.stations),
            },
          ],
        },
      ];
    }),
};
