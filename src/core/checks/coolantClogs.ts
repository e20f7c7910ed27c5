import { findComponent } from '../design';
import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { coolantHabits } from '../bom';
import { nameOf, type OperatingCheck } from './inputs';

/**
 * Fins denser than this, and filters, are where particles settle first, fins per inch (common
 * practice, no source).
 */
const DENSE_FPI = 20;

export const coolantClogs: OperatingCheck = {
  code: 'coolant.clogs',
  severity: 'note',
  stage: 'materials',
  get meaning() {
    return msg`The particles that make a coolant opaque settle where the ways are narrow: dense
      blocks and fine filters. Flow sags over months. Clear coolant does not; an opaque one
      wants flushing every year.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop): Diagnostic[] => {
      if (coolantHabits(loop.coolant).clogs !== 'fine fins and filters') return [];
      const stations = context.system.loops.find((g) => g.loop.id === loop.id)?.stations ?? [];
      const narrow = stations.filter((s) => {
        const part = findComponent(context.design, s)?.part;
        return (
          part?.kind === 'block' ||
          (part?.kind === 'inline' && part.duty === 'filter') ||
          (part?.kind === 'radiator' && part.core.fpi >= DENSE_FPI)
        );
      });
      if (narrow.length === 0) return [];
      const clear = context.offer.flatMap((p) =>
        p.kind === 'coolant' &&
        p.look === 'clear' &&
        p.inhibitor_months >= loop.coolant.inhibitor_months &&
        !p.poisonous
          ? [p]
          : [],
      )[0];
      const fixes: Fix[] = clear
        ? [
            {
              label: msg`Fill it with ${clear.name}`,
              edit: { do: 'loop.coolant', loop: loop.id, coolant: clear, age_months: 0 },
            },
          ]
        : [];
      return [
        {
          subjects: [loop.id, ...narrow],
          title:
            narrow.length === 1
              ? msg`${loop.coolant.name} settles in ${nameOf(context, narrow[0] as string)}`
              : msg`${loop.coolant.name} settles in ${narrow.length} narrow parts`,
          detail: msg`${narrow
            .slice(0, 4)
            .map((s) => nameOf(context, s))
            .join(', ')}: flush ${loop.name} every year, and mind the flow.`,
          candidates: () => fixes,
        },
      ];
    }),
};
