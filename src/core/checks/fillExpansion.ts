import type { Diagnostic } from './diagnostic';
import { GROWTH_LIMIT_BAR, growthVerdict, loopExpansion } from '../bom';
import { formatNumber } from '../units';
import type { OperatingCheck } from './inputs';

export const fillExpansion: OperatingCheck = {
  code: 'fill.expansion',
  severity: 'marginal',
  stage: 'runs',
  meaning:
    'Coolant grows as it warms and presses the air left in the reservoir together. With too little air the pressure rises towards what joints are tested at. Fill lower, take a larger reservoir, or close the cap warm.',
  source:
    'density of the coolant at both temperatures; the air as an ideal gas; parts taken to be rigid',
  run: (context) =>
    context.heat.loops.flatMap((heat): Diagnostic[] => {
      const loop = context.design.loops.find((l) => l.id === heat.id),
        volume = context.bom.volumes.find((v) => v.loop === heat.id);
      const e =
        loop && volume && heat.hottest_C !== null
          ? loopExpansion(context.system, loop, volume.total_mL, heat.hottest_C)
          : null;
      const verdict = e && growthVerdict(e);
      if (!loop || !e || !verdict || verdict === 'ok') return [];
      return [
        {
          severity: verdict,
          subjects: [loop.id],
          title: `${loop.name} has little room to grow`,
          detail: `From ${formatNumber(e.cold_C)} to ${formatNumber(e.hot_C)} °C it grows by ${formatNumber(e.grows_mL, { decimals: 1 })} mL into ${formatNumber(e.air_mL)} mL of air: ${Number.isFinite(e.rises_bar) ? `${formatNumber(e.rises_bar, { decimals: 2 })} bar over the room` : 'there is no room for it'}.`,
          measured: Math.min(99, e.rises_bar),
          limit: GROWTH_LIMIT_BAR,
          unit: 'bar',
        },
      ];
    }),
};
