import { heightsOf } from '../system';
import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { formatMillimetres } from '../units';
import { nameOf, portHeight, type SpatialCheck } from './inputs';

/** Parts may reach this much above the fill port without a word, mm. */
const OVER_MM = 20;

export const fillLow: SpatialCheck = {
  code: 'rule.fill-low',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`Parts of the loop are above the port it is filled by: they fill only while the
      pump runs. Fill in pulses, or put a fill cap on the highest spare port.`;
  },
  get source() {
    return msg`geometry of the ports; common practice, no source`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop): Diagnostic[] => {
      const fills = loop.caps
        .filter((c) => c.with === 'fill')
        .flatMap((c) => portHeight(context.system, c) ?? []);
      if (fills.length === 0) return [];
      const fill = Math.max(...fills),
        stations = context.system.loops.find((g) => g.loop.id === loop.id)?.stations ?? [];
      const above = stations
        .flatMap((s) => {
          const p = context.system.placed.get(s);
          return p && p.solids.length > 0
            ? [
                {
                  id: s,
                  over:
                    heightsOf(
                      context.system,
                      p.solids.map((x) => x.box),
                    ).high - fill,
                },
              ]
            : [];
        })
        .filter((a) => a.over > OVER_MM)
        .sort((a, b) => b.over - a.over);
      const [highest] = above;
      if (!highest) return [];
      const plugs = loop.caps
          .filter((c) => c.with === 'plug')
          .map((c) => ({ ...c, y: portHeight(context.system, c) ?? -Infinity }))
          .filter((c) => c.y > fill + OVER_MM)
          .sort((a, b) => b.y - a.y),
        [plug] = plugs;
      const fixes: Fix[] = plug
        ? [
            {
              label: msg`Put a fill cap on ${nameOf(context, plug.component)} too`,
              edit: {
                do: 'cap.set',
                loop: loop.id,
                port: { component: plug.component, port: plug.port },
                with: 'fill',
              },
            },
          ]
        : [];
      return [
        {
          subjects: [loop.id, ...above.map((a) => a.id)],
          title:
            above.length === 1
              ? msg`${nameOf(context, highest.id)} of ${loop.name} stands above the fill port`
              : msg`${above.length} parts of ${loop.name} stand above the fill port`,
          detail: msg`${nameOf(context, highest.id)} reaches ${formatMillimetres(highest.over)}
            higher. Pulse the pump, stop before the reservoir is empty, refill.`,
          measured: highest.over,
          limit: OVER_MM,
          unit: 'mm',
          candidates: () => fixes,
        },
      ];
    }),
};
