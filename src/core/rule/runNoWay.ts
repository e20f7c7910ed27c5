import type { BuildRule } from './context';

export const runNoWay: BuildRule = {
  code: 'run.no-way',
  severity: 'fails',
  stage: 'runs',
  meaning:
    'Routing found no way for a run with the tube, the bends and the end fittings there are. Move what is in the way, take a port that looks elsewhere, or a tube that bends tighter.',
  source:
    'the search itself, over right-angled ways and sidesteps for hard tube, and gentle curves for soft',
  check: (context) =>
    context.missing.map((m) => {
      const run = context.runs.find((r) => r.id === m.link && r.loop === m.loop);
      return {
        subjects: [m.link],
        title: `No way found for ${run?.name ?? m.link}`,
        detail: `${m.blockedBy ? `Without ${m.blockedBy} there would be one.` : 'No single thing in the way explains it.'}${m.wouldFit ? ` With ${m.wouldFit} there would be one too.` : ''} Its length stays an estimate.`,
      };
    }),
};
