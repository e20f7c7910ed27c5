import { quietestSetting, type QuietestSetting } from '../thermal';
import { formatKelvin, formatNumber } from '../units';
import type { Edit } from '../design';
import { msg } from '../messages';
import type { Fix } from './diagnostic';
import { SPOT_MARGIN_K } from './limits';
import { nameOf, type CheckInputs } from './inputs';

/**
 * One way out for noise, heat and flow together: the quietest speeds of fans and pumps at which the
 * brief's other limits are met. Empty when none do.
 */
export function quietestFix(context: CheckInputs): readonly Fix[] {
  const setting = quietestSetting({
    system: context.system,
    runs: context.runs,
    thermalModel: context.thermalModel,
    load: context.design.brief.loadCase,
    spotMargin_K: SPOT_MARGIN_K,
  });
  return setting === null ? [] : [fixOf(context, setting)];
}

function fixOf(context: CheckInputs, setting: QuietestSetting): Fix {
  const speeds = [
    ...(setting.fans_rpm === null ? [] : [msg`fans ${formatNumber(setting.fans_rpm)} rpm`]),
    ...setting.pumps.map(
      (p) => msg`${nameOf(context, p.component)} ${formatNumber(p.speed_rpm)} rpm`,
    ),
  ];
  return {
    label: msg`Use the quietest setting that meets the brief: ${speeds.join(', ')}
      (${formatNumber(setting.noise_dBA, { decimals: 1 })} dBA,
      ${formatKelvin(setting.deltaT_K)})`,
    edit: settingEdit(setting),
  };
}

/** Sets fans and pumps to a setting that was found. */
export const settingEdit = (setting: QuietestSetting): Edit => ({
  do: 'batch',
  edits: [
    ...(setting.fans_rpm === null
      ? []
      : [{ do: 'fans.speed', speed_rpm: setting.fans_rpm } as const]),
    ...setting.pumps.map(
      ({ component, speed_rpm }) =>
        ({ do: 'component.set', component, values: { speed_rpm } }) as const,
    ),
  ],
});
