import { freeId, type Edit, type Component, type Link } from '../design';
import type { Said } from './diagnostic';
import { teePorts } from '../loops';
import type { InlinePart } from '../components';
import { nameOf, type SpatialRule, type SpatialContext } from './inputs';

/** Puts a tee before the port: one run into it, the others from its free ends. Two runs a port; a third needs another look. */
function tee(
  context: SpatialContext,
  loop: string,
  mine: readonly Link[],
  component: string,
  port: string,
): readonly { label: string; edit: Edit }[] {
  const part = context.offer.find(
    (p): p is InlinePart => p.kind === 'inline' && teePorts(p) !== null,
  );
  const ports = part && teePorts(part);
  const graph = context.model.loops.find((g) => g.loop.id === loop);
  if (!part || !ports || !graph || mine.length !== 2) return [];
  const id = freeId(
    context.build.components.map((i) => i.id),
    'tee',
  );
  const run = freeId(
    context.build.loops.flatMap((l) => l.links.map((k) => k.id)),
    'run',
  );
  const [first, second] = mine as [Link, Link];
  const out = first.from.component === component && first.from.port === port;
  const moved = (l: Link, to: string): Link => ({
    ...l,
    by: 'tube',
    ...(l.from.component === component && l.from.port === port
      ? { from: { component: id, port: to } }
      : { to: { component: id, port: to } }),
  });
  const piece: Component = {
    id,
    name: `Tee at ${nameOf(context, component)}`,
    part,
    placement: { on: 'line' },
    settings: {},
  };
  const stub: Link = {
    id: run,
    by: 'tube',
    ends: { from: 'auto', to: 'auto' },
    ...(out
      ? { from: { component, port }, to: { component: id, port: ports.a } }
      : { from: { component: id, port: ports.a }, to: { component, port } }),
  };
  return [
    {
      label: `Put ${part.name} there`,
      edit: {
        do: 'batch',
        edits: [
          { do: 'component.add', component: piece },
          {
            do: 'loop.links',
            loop,
            links: [
              ...graph.loop.links.filter((l) => l !== first && l !== second),
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

export const portTwice: SpatialRule = {
  code: 'rule.port-twice',
  severity: 'fails',
  stage: 'runs',
  meaning:
    'Two runs end in the same port. A port takes one fitting: use another port of the same chamber, or a tee.',
  source: 'one thread takes one fitting',
  check: (context) =>
    context.model.loops.flatMap((graph): Said[] => {
      const ends = new Map<string, Link[]>();
      for (const link of graph.loop.links)
        for (const ref of [link.from, link.to])
          ends.set(`${ref.component}\n${ref.port}`, [
            ...(ends.get(`${ref.component}\n${ref.port}`) ?? []),
            link,
          ]);
      return [...ends]
        .filter(([, links]) => links.length > 1)
        .map(([key, links]): Said => {
          const [component, port] = key.split('\n') as [string, string];
          const name = context.model.portAt({ component, port })?.port.name ?? port;
          return {
            subjects: [component, ...links.map((l) => l.id)],
            title: `${links.length} runs end in one port of ${nameOf(context, component)}`,
            detail: `Its port “${name}” takes one fitting.`,
            measured: links.length,
            limit: 1,
            unit: 'runs',
            candidates: () => tee(context, graph.loop.id, links, component, port),
          };
        });
    }),
};
