import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { formatMeasure } from '../units';
import { nameOf, type OperatingCheck } from './inputs';

/**
 * A pump's inlet this far under the air around it, kPa, draws air at the first loose seal (common
 * practice, no source).
 */
const SUCTION_KPA = 1;

export const flowSuction: OperatingCheck = {
  code: 'flow.suction',
  severity: 'marginal',
  stage: 'flow',
  get meaning() {
    return msg`At a pump's inlet the coolant is under less pressure than the air outside: a
      loose fitting there draws air in instead of weeping, and the pump grows loud. Put the
      reservoir straight before the pump and above it, and the restrictions behind it.`;
  },
  get source() {
    return msg`the network solution with heights; limit 1 kPa by common practice, no source`;
  },
  run: (context) =>
    context.flow.loops.flatMap((loop): Diagnostic[] => {
      const { profile } = loop;
      const graph = context.system.loops.find((g) => g.loop.id === loop.id);
      if (!profile || !graph) return [];
      return graph.links.flatMap((e): Diagnostic[] => {
        if (e.law.kind !== 'pump' || e.component === null) return [];
        const at = profile.nodes.find((n) => n.node === e.from);
        const over = at ? at.absolute_kPa - profile.air_kPa : 0;
        if (!at || over >= -SUCTION_KPA) return [];
        return [
          {
            subjects: [e.component],
            title: msg`${nameOf(context, e.component)} sucks at its inlet`,
            measured: over,
            limit: -SUCTION_KPA,
            unit: 'kPa',
            detail: msg`${formatMeasure(-over, 'kPa', { decimals: 1 })} below the air outside:
              ${formatMeasure(-at.relative_kPa, 'kPa', { decimals: 1 })} are lost between the
              reservoir and the pump,
              ${formatMeasure(at.height_kPa, 'kPa', { decimals: 1, signed: true })} come from
              its height.`,
          },
        ];
      });
    }),
};
