import { formatMeasure, formatNumber } from '../units';
import { msg } from '../messages';
import type { OperatingCheck } from './inputs';
import { quietestFix } from './quietestFix';

export const noiseOver: OperatingCheck = {
  code: 'noise.over',
  severity: 'marginal',
  stage: 'cooling',
  get meaning() {
    return msg`Fans and pumps together are louder at the listener than the brief allows. The
      level is an estimate: published figures at 1 m, carried by speed and distance.`;
  },
  get source() {
    return msg`ASHRAE Handbook (50 log10 of speed), free field; the limit is the brief's`;
  },
  run: (context) => {
    const { noise_dBA } = context.design.brief.limits;
    const now = context.heat.noise_dBA;
    if (now <= noise_dBA + 0.05) return [];
    const quietest = context.sizing.quietestNoise_dBA;
    return [
      {
        subjects: [],
        title: msg`${formatNumber(now, { decimals: 1 })} dBA where ${formatNumber(noise_dBA)}
          dBA are wanted`,
        detail: msg`Estimated at
          ${formatMeasure(context.design.brief.listener_m, 'm', { decimals: 1 })}.
          ${adviceWords(quietest, noise_dBA)}`,
        measured: now,
        limit: noise_dBA,
        unit: 'dBA',
        candidates: () => quietestFix(context),
      },
    ];
  },
};

/** What stands between the build and its noise limit. */
function adviceWords(quietest_dBA: number | null, limit_dBA: number): string {
  if (quietest_dBA === null)
    return msg`Even at full fan speed the coolant ΔT is over its limit: more radiator or a
      larger limit is needed.`;
  return quietest_dBA <= limit_dBA
    ? msg`Slower fans meet it, and the coolant ΔT too.`
    : msg`At this pump speed the quietest fans that meet the coolant ΔT make
      ${formatNumber(quietest_dBA, { decimals: 1 })} dBA.`;
}
