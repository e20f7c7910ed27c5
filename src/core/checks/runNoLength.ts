import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { formatMillimetres } from '../units';
import { loopOfRun, findComponent, type Connection, type Loop } from '../design';
import type { Fix } from './diagnostic';
import { facing, movedBy, spans } from '../system';
import type { FittingPart } from '../components';
import { add, distance, dot, scale, sub } from '../geometry';
import { nameOf, type SpatialCheck, type SpatialInputs } from './inputs';

/** Ports whose directions are this near to opposite look at each other. */
const FACING = -0.9;

export const runNoLength: SpatialCheck = {
  code: 'run.no-length',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`Two ports face each other so closely that their fittings alone fill the distance:
      the tube between them would have no length. Use a direct connection (male-to-male fitting)
      instead.`;
  },
  get source() {
    return msg`geometry of the placed ports`;
  },
  run: (context) =>
    context.system.loops.flatMap((graph): Diagnostic[] =>
      graph.loop.connections.flatMap((connection): Diagnostic[] => {
        const hangs = (component: string): boolean =>
          findComponent(context.design, component)?.placement.on === 'line';
        const a = context.system.portAt(connection.from),
          b = context.system.portAt(connection.to);
        if (
          connection.by !== 'tube' ||
          !a ||
          !b ||
          hangs(connection.from.component) ||
          hangs(connection.to.component)
        )
          return [];
        const gap = distance(a.at, b.at),
          fittings = 2 * loopOfRun(graph.loop, connection).fitting.length_mm;
        const face =
          gap < 1 ||
          (dot(a.direction, b.direction) < FACING &&
            dot(a.direction, sub(b.at, a.at)) > -FACING * gap);
        if (!face || gap >= fittings) return [];
        return [
          {
            subjects: [connection.id, connection.from.component, connection.to.component],
            title: msg`The tube from ${nameOf(context, connection.from.component)} to
              ${nameOf(context, connection.to.component)} has no length`,
            detail: msg`Their ports face each other ${formatMillimetres(gap)} apart; two
              fittings alone take ${formatMillimetres(fittings)}.`,
            measured: gap,
            limit: fittings,
            unit: 'mm',
            candidates: () => directFixes(context, graph.loop, connection),
          },
        ];
      }),
    ),
};

/** Direct connections that reach as the parts stand, and the move that brings them to meet. */
function directFixes(context: SpatialInputs, loop: Loop, connection: Connection): readonly Fix[] {
  const a = context.system.portAt(connection.from),
    b = context.system.portAt(connection.to),
    way = a && b ? facing(a, b) : null;
  if (!a || !way) return [];
  const joined = (bridge?: FittingPart): Fix['edit'] => ({
    do: 'loop.connections',
    loop: loop.id,
    connections: loop.connections.map((l) =>
      l.id === connection.id ? { ...l, by: 'direct', ...(bridge ? { bridge } : {}) } : l,
    ),
  });
  const bridge = context.offer.find(
    (p): p is FittingPart =>
      p.kind === 'fitting' && p.duty === 'bridge' && p.span_mm !== undefined && spans(way, p),
  );
  const placement = movedBy(
    context.design,
    connection.from.component,
    add(way.aside, scale(a.direction, way.along_mm)),
  );
  return [
    ...(spans(way, undefined)
      ? [{ label: msg`Screw them together with a male-to-male fitting`, edit: joined() }]
      : []),
    ...(bridge ? [{ label: msg`Join them with ${bridge.name}`, edit: joined(bridge) }] : []),
    ...(placement
      ? [
          {
            label: msg`Move ${nameOf(context, connection.from.component)} until they meet, and
              screw them together`,
            edit: {
              do: 'batch' as const,
              edits: [
                { do: 'component.place' as const, component: connection.from.component, placement },
                joined(),
              ],
            },
          },
        ]
      : []),
  ];
}
