import type { Vec } from '../geometry';
import { heightOf } from '../system';
import { findComponent } from '../design';
import { counted, msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { trappedAir } from '../loops';
import { formatMeasure } from '../units';
import { nameOf, type SpatialCheck } from './inputs';
import { triedFixes } from './tried';

/** Pockets smaller than this are swept out by the flow, mL (common practice, no source). */
const LEAST_ML = 10;
/** A hump of a tube over both its ends, mm. */
const HUMP_MM = 15;

function titleOf(
  context: Parameters<typeof nameOf>[0],
  loop: string,
  pockets: readonly { readonly component: string }[],
  humps: number,
): string {
  const [first] = pockets;
  if (!first) return msg`Air can stay in ${counted(humps, 'a tube', '# tubes')} of ${loop}`;
  return pockets.length === 1
    ? msg`Air can stay in ${nameOf(context, first.component)} of ${loop}`
    : msg`Air can stay in ${pockets.length} parts of ${loop}`;
}

export const airTrap: SpatialCheck = {
  code: 'rule.air-trap',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`Air stays where a part reaches higher than its highest port in use, and in a tube
      that rises over both its ends. Ports at the top bleed easily. The volume given is the most
      that can stay; flow and tilting the case remove it over days.`;
  },
  get source() {
    return msg`geometry of ports and routed tubes; an even spread of each part's volume over its
      height is an estimate`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop): Diagnostic[] => {
      const high = (at: Vec): number => heightOf(context.system, at);
      const pockets = trappedAir(context.system, loop).filter((p) => p.mL >= LEAST_ML);
      const humps = context.runs
        .filter((r) => r.loop === loop.id && r.routed)
        .flatMap((r) => {
          const path = r.routed?.path ?? [],
            [first] = path,
            last = path[path.length - 1];
          const over =
            first && last
              ? Math.max(...path.flatMap((s) => [high(s.from), high(s.to)])) -
                Math.max(high(first.from), high(last.to))
              : 0;
          return over > HUMP_MM ? [{ run: r, over }] : [];
        });
      if (pockets.length === 0 && humps.length === 0) return [];
      const fixes = pockets.flatMap((p): Fix[] => {
        const component = findComponent(context.design, p.component);
        return component?.part.kind === 'radiator' && component.placement.on === 'mount'
          ? [
              {
                label: msg`Turn the ports of ${component.name} to the other end`,
                edit: {
                  do: 'component.place',
                  component: component.id,
                  placement: {
                    ...component.placement,
                    ports: component.placement.ports === 'end' ? 'start' : 'end',
                  },
                },
              },
            ]
          : [];
      });
      const sum = (list: readonly { readonly mL: number }[]): number =>
          list.reduce((s, p) => s + p.mL, 0),
        now = sum(pockets);
      return [
        {
          subjects: [loop.id, ...pockets.map((p) => p.component), ...humps.map((h) => h.run.id)],
          title: titleOf(context, loop.name, pockets, humps.length),
          detail: msg`${[...pockets.slice(0, 4).map((p) => msg`${nameOf(context, p.component)}, up to ${formatMeasure(p.mL, 'mL')}`), ...humps.slice(0, 3).map((h) => msg`${h.run.name} rises ${formatMeasure(h.over, 'mm')} over its ends`)].join('; ')}.
            Tilt the case while it bleeds.`,
          ...(pockets.length > 0 ? { measured: now, limit: LEAST_ML, unit: 'mL' } : {}),
          candidates: () =>
            triedFixes(
              context,
              fixes,
              (m) => {
                const l = m.design.loops.find((x) => x.id === loop.id);
                return (
                  l !== undefined &&
                  sum(trappedAir(m, l).filter((p) => p.mL >= LEAST_ML)) < now - LEAST_ML
                );
              },
              1,
            ),
        },
      ];
    }),
};
