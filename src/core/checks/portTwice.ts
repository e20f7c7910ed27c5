import { freeId, type Edit, type Component, type Connection } from '../design';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { teePorts } from '../loops';
import type { InlinePart } from '../components';
import { nameOf, type SpatialCheck, type SpatialInputs } from './inputs';

/**
 * Puts a tee before the port: one run into it, the others from its free ends. Two runs a port; a
 * third needs another look.
 */
function tee(
  context: SpatialInputs,
  loop: string,
  own: readonly Connection[],
  component: string,
  port: string,
): readonly { label: string; edit: Edit }[] {
  const part = context.offer.find(
    (p): p is InlinePart => p.kind === 'inline' && teePorts(p) !== null,
  );
  const ports = part && teePorts(part);
  const graph = context.system.loops.find((g) => g.loop.id === loop);
  if (!part || !ports || !graph || own.length !== 2) return [];
  const id = freeId(
    context.design.components.map((i) => i.id),
    'tee',
  );
  const run = freeId(
    context.design.loops.flatMap((l) => l.connections.map((k) => k.id)),
    'run',
  );
  const [first, second] = own as [Connection, Connection];
  const out = first.from.component === component && first.from.port === port;
  const moved = (l: Connection, to: string): Connection => ({
    ...l,
    by: 'tube',
    ...(l.from.component === component && l.from.port === port
      ? { from: { component: id, port: to } }
      : { to: { component: id, port: to } }),
  });
  const piece: Component = {
    id,
    name: msg`Tee at ${nameOf(context, component)}`,
    part,
    placement: { on: 'line' },
    settings: {},
  };
  const stub: Connection = {
    id: run,
    by: 'tube',
    ends: { from: 'auto', to: 'auto' },
    ...(out
      ? { from: { component, port }, to: { component: id, port: ports.a } }
      : { from: { component: id, port: ports.a }, to: { component, port } }),
  };
  return [
    {
      label: msg`Put ${part.name} there`,
      edit: {
        do: 'batch',
        edits: [
          { do: 'component.add', component: piece },
          {
            do: 'loop.connections',
            loop,
            connections: [
              ...graph.loop.connections.filter((l) => l !== first && l !== second),
              moved(first, ports.b),
              moved(second, ports.branch),
              stub,
            ],
          },
        ],
      },
    },
  ];
}

export const portTwice: SpatialCheck = {
  code: 'rule.port-twice',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`Two runs end in the same port. A port takes one fitting: use another port of the
      same chamber, or a tee.`;
  },
  get source() {
    return msg`one thread takes one fitting`;
  },
  run: (context) =>
    context.system.loops.flatMap((graph): Diagnostic[] => {
      const ends = new Map<string, Connection[]>();
      for (const connection of graph.loop.connections)
        for (const ref of [connection.from, connection.to])
          ends.set(`${ref.component}\n${ref.port}`, [
            ...(ends.get(`${ref.component}\n${ref.port}`) ?? []),
            connection,
          ]);
      return [...ends]
        .filter(([, connections]) => connections.length > 1)
        .map(([key, connections]): Diagnostic => {
          const [component, port] = key.split('\n') as [string, string];
          const name = context.system.portAt({ component, port })?.port.name ?? port;
          return {
            subjects: [component, ...connections.map((l) => l.id)],
            title: msg`${connections.length} runs end in one port of ${nameOf(context, component)}`,
            detail: msg`Its port “${name}” takes one fitting.`,
            measured: connections.length,
            limit: 1,
            unit: 'runs',
            candidates: () => tee(context, graph.loop.id, connections, component, port),
          };
        });
    }),
};
