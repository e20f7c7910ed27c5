import type { Edit } from '../design';
import type { Said } from './diagnostic';
import type { BuildRule } from './inputs';

export const controlSensor: BuildRule = {
  code: 'control.sensor',
  severity: 'fails',
  stage: 'cooling',
  meaning:
    'Fans or a pump follow the temperature of a part that is not in the build any more. They would see the room and stay slow while everything else warms.',
  source: "the build's own parts",
  check: (context) =>
    context.build.components.flatMap((component): Said[] => {
      const { control } = component.settings;
      if (
        !control ||
        control.sensor === 'coolant' ||
        context.setup.sources.some((s) =>
          s.part.spots.some((spot) => control.sensor === `${s.component.id}/${spot.id}`),
        )
      )
        return [];
      const edit: Edit = {
        do: 'component.set',
        component: component.id,
        values: { control: { ...control, sensor: 'coolant' } },
      };
      return [
        {
          subjects: [component.id],
          title: `${component.name} follow${component.part.kind === 'pump' ? 's' : ''} a part that is gone`,
          detail: `The sensor "${control.sensor}" is not in this build. Let the coolant lead, or choose another part under Over time.`,
          candidates: () => [{ label: 'Follow the coolant', edit }],
        },
      ];
    }),
};
