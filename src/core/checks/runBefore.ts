import { nameOf, type SpatialCheck } from './inputs';

export const runBefore: SpatialCheck = {
  code: 'run.before',
  severity: 'note',
  stage: 'runs',
  meaning:
    'A tube passes before a part that is to be seen. Routing goes round it where that costs no more than about three bends; here it does. Let it pass, or set its way by hand.',
  source: 'geometry: the tube along its way against the room between the part and the glass',
  run: (context) =>
    context.runs.flatMap((run) =>
      (run.routed?.visibility.before ?? []).map((component) => ({
        subjects: [run.id, component],
        title: `${run.name} passes before ${nameOf(context, component)}`,
        detail:
          'Seen through the glass it covers a part that you show. A way round it was found to cost more than it is worth.',
        candidates: () => [
          {
            label: `Tubes may pass before ${nameOf(context, component)}`,
            edit: { do: 'component.set' as const, component, values: { keepVisible: false } },
          },
        ],
      })),
    ),
};
