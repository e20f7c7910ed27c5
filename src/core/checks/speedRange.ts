import { turningSpeed } from '../components';
import { formatNumber } from '../units';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';

export const speedRange: OperatingCheck = {
  code: 'speed.range',
  severity: 'note',
  stage: 'cooling',
  get meaning() {
    return msg`A fan or pump is set to a speed that it cannot turn at: it is computed at the
      nearest that it can.`;
  },
  get source() {
    return msg`the least and the full speed of the part, from its maker`;
  },
  run: (context) =>
    context.design.components.flatMap(({ id, name, part, settings }): Diagnostic[] => {
      if (part.kind !== 'fan' && part.kind !== 'pump') return [];
      const set = settings.speed_rpm,
        turns = turningSpeed(part, set);
      if (set === undefined || set <= 0 || set === turns) return [];
      const { minSpeed_rpm, fullSpeed_rpm } = part;
      return [
        {
          subjects: [id],
          title: msg`${name} cannot turn at ${formatNumber(set)} rpm`,
          detail: msg`It turns from ${formatNumber(minSpeed_rpm)} to
            ${formatNumber(fullSpeed_rpm)} rpm and is computed at ${formatNumber(turns)}.`,
          measured: set,
          limit: turns,
          unit: 'rpm',
          candidates: () => [
            {
              label: msg`Set ${name} to ${formatNumber(turns)} rpm`,
              edit: { do: 'component.set', component: id, values: { speed_rpm: turns } },
            },
          ],
        },
      ];
    }),
};
