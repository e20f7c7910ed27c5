import { formatNumber } from '../units';
import type { Fix } from './diagnostic';
import type { OperatingCheck } from './inputs';

export const noiseOver: OperatingCheck = {
  code: 'noise.over',
  severity: 'marginal',
  stage: 'cooling',
  meaning:
    'Fans and pumps together are louder at the listener than the brief allows. The level is an estimate: published figures at 1 m, carried by speed and distance.',
  source: "ASHRAE Handbook (50 log10 of speed), free field; the limit is the brief's",
  run: (context) => {
    const { noise_dBA } = context.design.brief.limits;
    const now = context.heat.noise_dBA;
    if (now <= noise_dBA + 0.05) return [];
    const slow = context.sizing.loudestSpeed_rpm;
    const fixes: Fix[] =
      slow === null
        ? []
        : [
            {
              label: `Run the fans at ${formatNumber(Math.floor(slow / 10) * 10)} rpm`,
              edit: { do: 'fans.speed', speed_rpm: Math.floor(slow / 10) * 10 },
            },
          ];
    return [
      {
        subjects: [],
        title: `${formatNumber(now, { decimals: 1 })} dBA where ${formatNumber(noise_dBA)} dBA are wanted`,
        detail: `Estimated at ${formatNumber(context.design.brief.listener_m, { decimals: 1 })} m. ${slow === null ? 'Even the slowest fans leave it too loud: look at the pump.' : 'Slower fans keep it, at the cost of warmer coolant.'}`,
        measured: now,
        limit: noise_dBA,
        unit: 'dBA',
        candidates: () => fixes,
      },
    ];
  },
};
