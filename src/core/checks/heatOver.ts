import { formatCelsius, formatMeasure, formatNumber } from '../units';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';
import { SPOT_MARGIN_K } from './limits';
import { quietestFix } from './quietestFix';

export const heatOver: OperatingCheck = {
  code: 'heat.over',
  severity: 'fails',
  stage: 'heat',
  get meaning() {
    return msg`A part gets hotter than its limit (its maker's or the brief's) in the load case
      the brief is judged in. Within 5 K of it counts as marginal.`;
  },
  get source() {
    return msg`limit from the part's data or the brief; temperature from the heat model`;
  },
  run: (context) =>
    context.heat.hotSpots.flatMap((s): Diagnostic[] => {
      if (s.temp_C === null) return [];
      const margin = s.limit_C - s.temp_C;
      if (margin >= SPOT_MARGIN_K) return [];
      const how = s.cooledBy
        ? msg`${formatNumber(s.heat_W)} W into coolant at ${formatCelsius(s.coolant_C, 1)}`
        : msg`${formatNumber(s.heat_W)} W air-cooled, the case air at
          ${formatCelsius(context.heat.caseAir_C, 1)}`;
      const adviceWords = () => {
        if (margin < 0) {
          if (s.cooledBy) return msg`Cooler coolant, more flow or a better block bring it down.`;
          return msg`Put a block on it, or move more air through the case.`;
        }
        return msg`Only ${formatMeasure(margin, 'K', { decimals: 1 })} are left.`;
      };
      return [
        {
          severity: margin < 0 ? ('fails' as const) : ('marginal' as const),
          subjects: [s.component],
          title: msg`${s.name} reaches ${formatCelsius(s.temp_C)}`,
          detail: msg`${how}; its limit is ${formatCelsius(s.limit_C)}. ${adviceWords()}`,
          measured: s.temp_C,
          limit: s.limit_C,
          unit: '°C',
          candidates: () => quietestFix(context),
        },
      ];
    }),
};
