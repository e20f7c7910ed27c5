import { msg, sentences } from '../messages';
import { inTheWayWords, wayOutWords } from '../routing';
import type { SpatialCheck } from './inputs';

export const runNoWay: SpatialCheck = {
  code: 'run.no-way',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`The router found no route for a run with the tube, the bends and the end fittings
      there are. Move what is in the way, take a port that looks elsewhere, or a tube that bends
      tighter.`;
  },
  get source() {
    return msg`the search itself, over right-angled ways and sidesteps for hard tube, and gentle
      curves for soft`;
  },
  run: (context) =>
    context.missing.map((m) => {
      const run = context.runs.find((r) => r.id === m.connection && r.loop === m.loop);
      return {
        subjects: [m.connection],
        title: msg`No route found for ${run?.name ?? m.connection}`,
        detail: sentences(
          m.blockedBy
            ? msg`${inTheWayWords(m.blockedBy)} is in the way: without it a route exists.`
            : msg`No single part explains it.`,
          m.wouldFit && msg`With ${wayOutWords(m.wouldFit)} there is one too.`,
          msg`Its length stays an estimate.`,
        ),
        candidates: (search) => search.openings(context.design, m.connection, context.offer),
      };
    }),
};
