import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { formatCelsius, formatKelvin } from '../units';
import type { OperatingCheck } from './inputs';

export const heatSummer: OperatingCheck = {
  code: 'heat.summer',
  severity: 'marginal',
  stage: 'cooling',
  get meaning() {
    return msg`At the hottest the brief lets the room get, a part passes its limit or the
      coolant passes 45 °C, though all is well in the usual room.`;
  },
  get source() {
    return msg`limits from the parts' data; 45 °C: ratings of tube and pump (common practice, no
      source)`;
  },
  run: (context) => {
    const { summer } = context;
    if (!summer) return [];
    const room = context.design.brief.summer_C ?? 0;
    const diagnostic: Diagnostic[] = [];
    for (const s of summer.hotSpots) {
      const now = context.heat.hotSpots.find(
        (x) => x.component === s.component && x.hotSpot === s.hotSpot,
      );
      if (s.temp_C === null || s.temp_C <= s.limit_C || (now?.temp_C ?? 0) > s.limit_C) continue;
      diagnostic.push({
        subjects: [s.component],
        title: msg`${s.name} reaches ${formatCelsius(s.temp_C)} in summer`,
        detail: msg`In a room of ${formatCelsius(room)} it is
          ${formatKelvin(s.temp_C - s.limit_C)} over its ${formatCelsius(s.limit_C)}.`,
        measured: s.temp_C,
        limit: s.limit_C,
        unit: '°C',
      });
    }
    for (const l of summer.loops) {
      const now = context.heat.loops.find((x) => x.id === l.id);
      if (
        l.hottest_C === null ||
        l.hottest_C <= COOLANT_MOST_C ||
        (now?.hottest_C ?? 0) > COOLANT_MOST_C
      )
        continue;
      diagnostic.push({
        subjects: [l.id],
        title: msg`Coolant reaches ${formatCelsius(l.hottest_C, 1)} in summer`,
        detail: msg`In a room of ${formatCelsius(room)}; above ${formatCelsius(COOLANT_MOST_C)}
          tube and pump age fast.`,
        measured: l.hottest_C,
        limit: COOLANT_MOST_C,
        unit: '°C',
      });
    }
    return diagnostic;
  },
};

/** Coolant above this is a finding, °C. */
const COOLANT_MOST_C = 45;
