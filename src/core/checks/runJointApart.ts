import type { Edit, Connection, Loop } from '../design';
import { msg, sentences } from '../messages';
import type { Diagnostic } from './diagnostic';
import { facing, JOINT_ASIDE_MM, movedBy, spans } from '../system';
import type { FittingPart } from '../components';
import { formatMillimetres } from '../units';
import { distance, scale } from '../geometry';
import { nameOf, type SpatialCheck } from './inputs';

/** The loop with one link as it is to be. */
const linksWith = (loop: Loop, connection: Connection): Edit => ({
  do: 'loop.connections',
  loop: loop.id,
  connections: loop.connections.map((l) => (l.id === connection.id ? connection : l)),
});

export const runJointApart: SpatialCheck = {
  code: 'run.joint-apart',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`Two parts are screwed together by a joint, but their ports no longer meet: one of
      them was moved or turned. Move it back, or run a tube between them.`;
  },
  get source() {
    return msg`geometry of the placed ports; 12 mm along and 2 mm across a joint are common
      practice, no source`;
  },
  run: (context) =>
    context.system.loops.flatMap((graph): Diagnostic[] =>
      graph.loop.connections.flatMap((connection): Diagnostic[] => {
        const a = context.system.portAt(connection.from),
          b = context.system.portAt(connection.to);
        if (connection.by !== 'direct' || !a || !b) return [];
        const way = facing(a, b);
        if (way && spans(way, connection.bridge)) return [];
        const along = way !== null && spans({ ...way, aside_mm: 0 }, connection.bridge),
          placement =
            way && along ? movedBy(context.design, connection.from.component, way.aside) : null;
        const back =
          way && along
            ? movedBy(context.design, connection.to.component, scale(way.aside, -1))
            : null;
        // In line, but nearer or farther than the piece reaches: another bridge may.
        const other =
          way && !along
            ? context.offer.find(
                (p): p is FittingPart =>
                  p.kind === 'fitting' && p.duty === 'bridge' && spans(way, p),
              )
            : undefined;
        return [
          {
            subjects: [connection.id, connection.from.component, connection.to.component],
            title: msg`${nameOf(context, connection.from.component)} and
              ${nameOf(context, connection.to.component)} no longer meet`,
            detail: sentences(
              way
                ? msg`Their ports, joined by a male-to-male adapter, are
                    ${formatMillimetres(distance(a.at, b.at), 1)} apart,
                    ${formatMillimetres(way.aside_mm, 1)} of it sideways.`
                : msg`Their ports, joined by a male-to-male adapter, are
                    ${formatMillimetres(distance(a.at, b.at), 1)} apart and do not face each
                    other.`,
              connection.bridge?.span_mm &&
                msg`The bridge reaches ${connection.bridge.span_mm.join(' to ')} mm.`,
            ),
            measured: way?.aside_mm ?? distance(a.at, b.at),
            limit: JOINT_ASIDE_MM,
            unit: 'mm',
            candidates: () => [
              ...(back
                ? [
                    {
                      label: msg`Move ${nameOf(context, connection.to.component)} to where they
                        meet`,
                      edit: {
                        do: 'component.place' as const,
                        component: connection.to.component,
                        placement: back,
                      },
                    },
                  ]
                : []),
              ...(placement
                ? [
                    {
                      label: msg`Move ${nameOf(context, connection.from.component)} to where
                        they meet`,
                      edit: {
                        do: 'component.place' as const,
                        component: connection.from.component,
                        placement,
                      },
                    },
                  ]
                : []),
              ...(other
                ? [
                    {
                      label: msg`Take ${other.name} instead`,
                      edit: linksWith(graph.loop, { ...connection, bridge: other }),
                    },
                  ]
                : []),
              {
                label: msg`Run a tube between them instead`,
                edit: linksWith(graph.loop, {
                  id: connection.id,
                  from: connection.from,
                  to: connection.to,
                  by: 'tube',
                  ends: connection.ends,
                }),
              },
            ],
          },
        ];
      }),
    ),
};
