import { formatCelsius } from '../units';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';

export const COOLANT_WARM_C = 45;
export const COOLANT_LIMIT_C = 60;

export const heatCoolant: OperatingCheck = {
  code: 'heat.coolant',
  severity: 'marginal',
  stage: 'cooling',
  get meaning() {
    return msg`The coolant gets warmer than tubes and pumps like. Above 45 °C is a warning,
      above 60 °C soft tube swells and pumps leave their rating.`;
  },
  get source() {
    return msg`common practice for tube and pump ratings, no source`;
  },
  run: (context) =>
    context.heat.loops.flatMap((l): Diagnostic[] =>
      l.hottest_C === null || l.hottest_C <= COOLANT_WARM_C
        ? []
        : [
            {
              severity: l.hottest_C > COOLANT_LIMIT_C ? 'fails' : 'marginal',
              subjects: [l.id],
              title: msg`Coolant reaches ${formatCelsius(l.hottest_C)}`,
              detail: msg`${formatCelsius(COOLANT_WARM_C)} is where tubes and pumps begin to
                suffer, ${formatCelsius(COOLANT_LIMIT_C)} where they fail. More radiator or more
                air is needed.`,
              measured: l.hottest_C,
              limit: l.hottest_C > COOLANT_LIMIT_C ? COOLANT_LIMIT_C : COOLANT_WARM_C,
              unit: '°C',
            },
          ],
    ),
};
