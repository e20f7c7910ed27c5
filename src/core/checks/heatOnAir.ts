import { formatCelsius, formatWatts } from '../units';
import { msg } from '../messages';
import type { OperatingCheck } from './inputs';

export const heatOnAir: OperatingCheck = {
  code: 'heat.on-air',
  severity: 'note',
  stage: 'heat',
  get meaning() {
    return msg`Parts without a block heat the air in the case, which radiators blowing outwards
      then breathe.`;
  },
  get source() {
    return msg`the heat balance of the case air`;
  },
  run: (context) => {
    const on = context.heat.parts.filter((p) => p.to === 'air' && p.heat_W > 0);
    const sum = on.reduce((s, p) => s + p.heat_W, 0);
    if (sum < 1) return [];
    return [
      {
        subjects: on.map((p) => p.component),
        title: msg`${formatWatts(sum)} stay air-cooled`,
        detail: msg`${on.map((p) => `${p.name}: ${formatWatts(p.heat_W)}`).join('; ')}. The case
          air is at ${formatCelsius(context.heat.caseAir_C, 1)}.`,
        measured: sum,
        unit: 'W',
      },
    ];
  },
};
