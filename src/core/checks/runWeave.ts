import { msg } from '../messages';
import type { SpatialCheck } from './inputs';

export const runWeave: SpatialCheck = {
  code: 'run.weave',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`Tubes of two loops cross as seen through the glass. They do not touch, but the
      eye cannot follow them, and one is in the way when the other is taken out. Routing avoids
      it where that costs no more than about three bends.`;
  },
  get source() {
    return msg`geometry: both tubes along their ways, seen through the glass; two loops look best
      apart (common practice, no source)`;
  },
  run: (context) =>
    context.runs.flatMap((run) =>
      (run.routed?.visibility.crosses ?? []).flatMap((id) => {
        const other = context.runs.find((r) => r.id === id);
        // Told once of each two.
        if (!other || other.id < run.id) return [];
        const loop = (id: string): string =>
          context.design.loops.find((l) => l.id === id)?.name ?? id;
        return [
          {
            subjects: [run.id, other.id],
            title: msg`${run.name} crosses ${other.name}`,
            detail: msg`One is of ${loop(run.loop)}, the other of ${loop(other.loop)}. Other
              ports or other places for the parts may keep the loops apart; ways by hand may
              too.`,
          },
        ];
      }),
    ),
};
