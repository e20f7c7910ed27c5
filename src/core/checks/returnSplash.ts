import type { Vec } from '../geometry';
import { heightOf } from '../system';
import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { fillLevel } from '../loops';
import { formatMillimetres } from '../units';
import { nameOf, type SpatialCheck } from './inputs';

export const returnSplash: SpatialCheck = {
  code: 'rule.return-splash',
  severity: 'marginal',
  stage: 'runs',
  get meaning() {
    return msg`The coolant returns to the reservoir above its surface: it splashes, foams and
      draws air along. Take a lower port, or use a dip tube inside.`;
  },
  get source() {
    return msg`the reservoir's fill mark and the place of the port; common practice, no source`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop): Diagnostic[] =>
      loop.connections.flatMap((connection): Diagnostic[] => {
        const high = (at: Vec): number => heightOf(context.system, at);
        const placed = context.system.placed.get(connection.to.component),
          level = placed ? fillLevel(context.system, placed) : null,
          port = context.system.portAt(connection.to);
        if (!placed || level === null || !port || high(port.at) <= level) return [];
        const free = placed.ports
          .filter(
            (p) =>
              high(p.at) <= level &&
              p.port.role !== 'out' &&
              !context.design.loops.some((l) =>
                l.connections.some(
                  (k) =>
                    (k.from.component === p.component && k.from.port === p.port.id) ||
                    (k.to.component === p.component && k.to.port === p.port.id),
                ),
              ),
          )
          // The lowest ports feed the pump: of those below the surface the highest takes the
          // return.
          .sort((a, b) => high(b.at) - high(a.at));
        const fixes = free.slice(0, 2).map((p): Fix => ({
          label: msg`Return by its ${p.port.name}`,
          edit: {
            do: 'batch',
            edits: [
              {
                do: 'loop.connections',
                loop: loop.id,
                connections: loop.connections.map((l) =>
                  l.id === connection.id
                    ? { ...l, to: { component: p.component, port: p.port.id } }
                    : l,
                ),
              },
              {
                do: 'cap.set',
                loop: loop.id,
                port: { component: p.component, port: p.port.id },
                with: null,
              },
              { do: 'cap.set', loop: loop.id, port: connection.to, with: 'plug' },
            ],
          },
        }));
        return [
          {
            subjects: [connection.id, connection.to.component],
            title: msg`Coolant falls into ${nameOf(context, connection.to.component)}`,
            detail: msg`The return comes in ${formatMillimetres(high(port.at) - level)} above
              the surface at the fill mark.`,
            measured: high(port.at) - level,
            limit: 0,
            unit: 'mm',
            candidates: () => fixes,
          },
        ];
      }),
    ),
};
