import { msg } from '../messages';
import { nameOf, type SpatialCheck } from './inputs';

export const runBefore: SpatialCheck = {
  code: 'run.before',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`A tube passes in front of a part that is to stay visible. Routing avoids it where
      that costs no more than about three bends; here it costs more. Let it pass, or set the
      route by hand.`;
  },
  get source() {
    return msg`geometry: the tube along its route against the space between the part and the glass`;
  },
  run: (context) =>
    context.runs.flatMap((run) =>
      (run.routed?.visibility.before ?? []).map((component) => ({
        subjects: [run.id, component],
        title: msg`${run.name} passes before ${nameOf(context, component)}`,
        detail: msg`Seen through the glass it hides a part that you keep visible. The detour
          costs more than three bends.`,
        candidates: () => [
          {
            label: msg`Tubes may pass before ${nameOf(context, component)}`,
            edit: { do: 'component.set' as const, component, values: { keepVisible: false } },
          },
        ],
      })),
    ),
};
