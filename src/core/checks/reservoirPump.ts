import { heightOf } from '../system';
import { findComponent } from '../design';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { reorderLoop } from '../loops';
import { formatMillimetres } from '../units';
import { nameOf, type SpatialCheck } from './inputs';

export const reservoirPump: SpatialCheck = {
  code: 'rule.reservoir-pump',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`The reservoir must feed the pump directly and be above it, so that the pump never
      runs dry.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  run: (context) =>
    context.system.loops.flatMap((graph): Diagnostic[] => {
      const { loop } = graph;
      if (loop.connections.length === 0) return [];
      const kind = (id: string): string => findComponent(context.design, id)?.part.kind ?? '';
      const reservoirs = graph.stations.filter((s) => kind(s) === 'reservoir');
      const pumps = graph.stations.filter((s) => kind(s) === 'pump');
      if (reservoirs.length === 0)
        return [
          {
            subjects: [loop.id],
            title: msg`${loop.name} has no reservoir`,
            detail: msg`Without one, air has nowhere to gather and the pump may run dry while
              filling. Add one from the catalogue.`,
          },
        ];
      const first = pumps.find((p) =>
        loop.connections.some((l) => l.to.component === p && reservoirs.includes(l.from.component)),
      );
      if (pumps.length > 0 && !first) {
        const [pump = ''] = pumps;
        const feeder = loop.connections.find((l) => l.to.component === pump)?.from.component;
        const order = [
          ...reservoirs,
          ...pumps,
          ...graph.stations.filter((s) => !reservoirs.includes(s) && !pumps.includes(s)),
        ];
        return [
          {
            subjects: [...reservoirs, ...pumps],
            title: msg`The reservoir of ${loop.name} does not feed its pump`,
            detail: feeder
              ? msg`${nameOf(context, pump)} draws from ${nameOf(context, feeder)}.
                  It should draw straight from the reservoir.`
              : msg`Nothing leads to the inlet of ${nameOf(context, pump)}.
                  It should draw straight from the reservoir.`,
            candidates: () => [
              {
                label: msg`Connect the loop with the reservoir before the pump`,
                edit: reorderLoop(context.design, loop.id, order),
              },
            ],
          },
        ];
      }
      const connection = loop.connections.find(
        (l) => l.to.component === first && reservoirs.includes(l.from.component),
      );
      const out = connection && context.system.portAt(connection.from),
        inlet = connection && context.system.portAt(connection.to);
      const below =
        out && inlet ? heightOf(context.system, inlet.at) - heightOf(context.system, out.at) : 0;
      if (connection && below > 1) {
        return [
          {
            severity: 'marginal',
            subjects: [connection.from.component, connection.to.component],
            title: msg`${nameOf(context, connection.from.component)} is below the pump`,
            detail: msg`Its outlet is ${formatMillimetres(below)} lower than the pump's inlet:
              the pump may lose its prime when it is stopped.`,
            measured: below,
            limit: 0,
            unit: 'mm',
          },
        ];
      }
      return [];
    }),
};
