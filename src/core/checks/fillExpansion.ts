import { msg } from '../messages';
import type { Diagnostic, Fix } from './diagnostic';
import type { Loop } from '../design';
import { GROWTH_LIMIT_BAR, growthVerdict, loopExpansion, reservoirsOf } from '../bom';
import { formatMeasure, formatShown } from '../units';
import { nameOf, type CheckInputs, type OperatingCheck } from './inputs';

export const fillExpansion: OperatingCheck = {
  code: 'fill.expansion',
  severity: 'marginal',
  stage: 'runs',
  get meaning() {
    return msg`Coolant grows as it warms and presses the air left in the reservoir together.
      With too little air the pressure rises towards what joints are tested at. Fill lower, take
      a larger reservoir, or close the cap warm.`;
  },
  get source() {
    return msg`density of the coolant at both temperatures; the air as an ideal gas with water
      vapour; tubes as thick-walled cylinders (Lamé), parts rigid`;
  },
  run: (context) =>
    context.heat.loops.flatMap((heat): Diagnostic[] => {
      const loop = context.design.loops.find((l) => l.id === heat.id),
        volume = context.bom.volumes.find((v) => v.loop === heat.id);
      const e =
        loop && volume && heat.hottest_C !== null
          ? loopExpansion(context.system, loop, context.runs, volume.total_mL, heat.hottest_C)
          : null;
      const verdict = e && growthVerdict(e);
      if (!loop || !e || !verdict || verdict === 'ok') return [];
      return [
        {
          severity: verdict,
          subjects: [loop.id],
          title: msg`${loop.name} has little air to expand into`,
          detail: msg`From ${formatShown(e.cold_C, '°C')} to ${formatMeasure(e.hot_C, '°C')} it
            grows by ${formatMeasure(e.grows_mL, 'mL', { decimals: 1 })} into
            ${formatMeasure(e.air_mL, 'mL')} of air and tubes that give
            ${formatMeasure(e.swells_mL, 'mL', { decimals: 1 })}:
            ${Number.isFinite(e.rises_bar) ? msg`${formatMeasure(e.rises_bar, 'bar', { decimals: 2 })} above room pressure` : msg`there is no air to take it up`},
            closed cold. Closed warm it would be
            ${formatMeasure(e.sinks_bar, 'bar', { decimals: 2 })} below room pressure when
            cold.`,
          measured: Math.min(99, e.rises_bar),
          limit: GROWTH_LIMIT_BAR,
          unit: 'bar',
          candidates: () => lowerFills(context, loop),
        },
      ];
    }),
};

/** Shares of a reservoir that are tried as its fill, fullest first. */
const FILLS = [0.85, 0.75, 0.6, 0.5] as const;

/** The largest reservoir filled less: each is tried before it is offered. */
function lowerFills(context: CheckInputs, loop: Loop): readonly Fix[] {
  const [largest] = [...reservoirsOf(context.design, loop)].sort(
    (a, b) => b.volume_mL - a.volume_mL,
  );
  if (!largest) return [];
  return FILLS.map((share) => Math.round(share * largest.volume_mL))
    .filter((fill_mL) => fill_mL < largest.fill_mL)
    .map((fill_mL) => ({
      label: msg`Fill ${nameOf(context, largest.id)} to ${formatMeasure(fill_mL, 'mL')} only`,
      edit: { do: 'component.fill', component: largest.id, fill_mL },
    }));
}
