import type { BuildRule } from './context';

export const runUnpinned: BuildRule = {
  code: 'run.unpinned',
  severity: 'tight',
  stage: 'runs',
  meaning:
    'A run was pinned, but its ports have moved since: the pinned way no longer meets them, and the run was routed anew. A tube that is bent already does not fit there.',
  source: 'geometry of the ports',
  check: (context) =>
    context.unpinned.flatMap((id) => {
      const run = context.runs.find((r) => r.id === id),
        link = context.build.loops.flatMap((l) => l.links).find((l) => l.id === id);
      if (!run || !link?.way) return [];
      const { pinned: _pinned, ...way } = link.way;
      return [
        {
          subjects: [id],
          title: `${run.name} no longer fits its pinned way`,
          detail:
            'One of its ports has moved. Move the part back, or let the pin go and take the new way.',
          candidates: () => [
            {
              label: 'Let the pin go',
              edit: { do: 'link.way' as const, loop: run.loop, link: id, way },
            },
          ],
        },
      ];
    }),
};
