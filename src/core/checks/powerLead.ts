import { formatMillimetres } from '../units';
import type { CablePart } from '../components';
import { listAnd, msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { nameOf, type OperatingCheck } from './inputs';

export const powerLead: OperatingCheck = {
  code: 'power.lead',
  severity: 'note',
  stage: 'case',
  get meaning() {
    return msg`The cables of some fans, or of a pump, are too short to the motherboard as they
      are routed, and no extension on the list is long enough.`;
  },
  get source() {
    return msg`cable lengths of the parts; the way is estimated from where they stand, along the
      axes and a quarter more (common practice, no source)`;
  },
  run: (context) =>
    context.wiring.lines.flatMap((line): Diagnostic[] => {
      const { way_mm, reach_mm, extension, components } = line;
      if (way_mm === null || reach_mm === null || way_mm <= reach_mm || extension) return [];
      const have = new Set((context.design.kit.cables ?? []).map((c) => c.id));
      const longer = context.offer.find(
        (p): p is CablePart =>
          p.kind === 'cable' &&
          p.duty === 'extension' &&
          !have.has(p.id) &&
          (p.length_mm ?? 0) >= way_mm - reach_mm,
      );
      return [
        {
          subjects: components,
          title: msg`The cable of ${listAnd(components.map((c) => nameOf(context, c)))} is too
            short`,
          detail: msg`It reaches ${formatMillimetres(reach_mm)}; to the board it is about
            ${formatMillimetres(way_mm)} along the case.`,
          measured: reach_mm,
          limit: way_mm,
          unit: 'mm',
          candidates: () =>
            longer
              ? [
                  {
                    label: msg`Take ${longer.name}`,
                    edit: {
                      do: 'kit.cables',
                      cables: [...(context.design.kit.cables ?? []), longer],
                    },
                  },
                ]
              : [],
        },
      ];
    }),
};
