import type { Edit } from '../design';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';

export const controlSensor: OperatingCheck = {
  code: 'control.sensor',
  severity: 'fails',
  stage: 'cooling',
  get meaning() {
    return msg`Fans or a pump follow the temperature of a part that is not in the build any
      more. They would follow room temperature and stay slow while everything else warms.`;
  },
  get source() {
    return msg`the build's own parts`;
  },
  run: (context) =>
    context.design.components.flatMap((component): Diagnostic[] => {
      const { control } = component.settings;
      if (
        !control ||
        control.sensor === 'coolant' ||
        context.thermalModel.sources.some((s) =>
          s.part.hotSpots.some((spot) => control.sensor === `${s.component.id}/${spot.id}`),
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
          title: msg`${component.name} follow${component.part.kind === 'pump' ? 's' : ''} a part
            that is gone`,
          detail: msg`The sensor "${control.sensor}" is not in this build. Use the coolant
            temperature, or choose another part under Over time.`,
          candidates: () => [{ label: msg`Follow the coolant`, edit }],
        },
      ];
    }),
};
