import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { formatMeasure, formatNumber } from '../units';
import { nameOf, type OperatingCheck } from './inputs';

/**
 * An axial fan held below this share of its free flow works in its stall: louder and less sure than
 * its curve (common practice, no source).
 */
const STALL_SHARE = 0.3;

export const fanStall: OperatingCheck = {
  code: 'fan.stall',
  severity: 'note',
  stage: 'cooling',
  get meaning() {
    return msg`Radiator, filter and grille resist a fan so much that its blades stall: it gets
      louder and its curve is not to be trusted there. A more open core, a fan made for
      pressure, or fans in push-pull help.`;
  },
  get source() {
    return msg`axial fans stall below about a third of their free flow (common practice, no
      source)`;
  },
  run: (context) =>
    context.heat.radiators.flatMap((h): Diagnostic[] => {
      const radiator = context.thermalModel.radiators.find((r) => r.id === h.id);
      const turning = radiator?.fans.filter((f) => f.speed_rpm > 0) ?? [];
      if (!radiator || turning.length === 0) return [];
      const free = Math.min(
        ...turning.map(
          (f) =>
            (f.speed_rpm / f.part.fullSpeed_rpm) *
            (f.part.points[f.part.points.length - 1]?.[0] ?? 0),
        ),
      );
      const share = h.airFlow_m3h / context.thermalModel.factors.airFlow / radiator.sections / free;
      if (!(share < STALL_SHARE)) return [];
      return [
        {
          subjects: [h.id, ...turning.map((f) => f.component)],
          title: msg`Fans of ${nameOf(context, h.id)} are held to ${formatNumber(100 * share)} %
            of their free flow`,
          detail: msg`${formatMeasure(h.airDrop_Pa, 'Pa', { decimals: 1 })} stand against them;
            below about ${formatNumber(100 * STALL_SHARE)} % an axial fan stalls.`,
          measured: 100 * share,
          limit: 100 * STALL_SHARE,
          unit: '%',
        },
      ];
    }),
};
