import {
  freeId,
  type Design,
  type Edit,
  type Component,
  type Connection,
  type Loop,
  type Placement,
  type PortRef,
  componentName,
  findComponent,
} from '../design';
import { compileSystem } from '../system';
import type { InlinePart, PumpPart } from '../components';
import { msg } from '../messages';
import { passThrough, placeOf } from './ports';
import { reorderLoop } from './propose';

/** Takes ids that no component or run has yet, one after another. */
function idsOf(design: Design): { component(stem: string): string; run(): string } {
  const components = design.components.map((i) => i.id),
    runs = design.loops.flatMap((l) => l.connections.map((k) => k.id));
  const take = (list: string[], stem: string): string => {
    const id = freeId(list, stem);
    list.push(id);
    return id;
  };
  return { component: (stem) => take(components, stem), run: () => take(runs, 'run') };
}

const auto = { from: 'auto', to: 'auto' } as const;
const tube = (id: string, from: PortRef, to: PortRef): Connection => ({
  id,
  from,
  to,
  by: 'tube',
  ends: auto,
});

/** The three ports of a tee by its chambers; null when the part is none. */
export function teePorts(
  part: InlinePart,
): { readonly a: string; readonly b: string; readonly branch: string } | null {
  if (!part.tee) return null;
  const port = (chamber: string): string | undefined =>
    part.ports.find((p) => p.chamber === chamber)?.id;
  const a = port(part.tee.run[0]),
    b = port(part.tee.run[1]),
    branch = port(part.tee.branch);
  return a !== undefined && b !== undefined && branch !== undefined ? { a, b, branch } : null;
}

const hanging = (
  id: string,
  name: string,
  part: Component['part'],
  placement: Placement = { on: 'line' },
): Component => ({ id, name, part, placement, settings: {} });

/** In and out run of a component with exactly one of each in its loop. */
function through(
  loop: Loop,
  component: string,
): { readonly in: Connection; readonly out: Connection } | null {
  const ins = loop.connections.filter((l) => l.to.component === component),
    outs = loop.connections.filter((l) => l.from.component === component);
  return ins.length === 1 && outs.length === 1
    ? { in: ins[0] as Connection, out: outs[0] as Connection }
    : null;
}

/** Why blocks cannot be set side by side; null when they can. */
export function whyNoSplit(
  design: Design,
  loopId: string,
  components: readonly string[],
): string | null {
  const loop = design.loops.find((l) => l.id === loopId);
  if (!loop) return msg`There is no such loop.`;
  if (components.length < 2) return msg`It takes two parts or more.`;
  const bad = components.find((i) => !through(loop, i));
  if (bad !== undefined) return msg`${componentName(design, bad)} has not one run in and one out.`;
  return null;
}

/**
 * Sets parts side by side: the flow splits before the first of them, one tee for each further part,
 * and joins again behind. What lay between them in the row moves behind the join. Null when one of
 * them is not simply passed through, or the tee is none.
 */
export function splitEdit(
  design: Design,
  loopId: string,
  components: readonly string[],
  tee: InlinePart,
): Edit | null {
  const loop = design.loops.find((l) => l.id === loopId),
    ports = teePorts(tee);
  if (!loop || !ports || whyNoSplit(design, loopId, components) !== null) return null;
  const ids = idsOf(design);
  let connections: readonly Connection[] = loop.connections;
  const pieces = components.map(
    (component) => through(loop, component) as { in: Connection; out: Connection },
  );
  const entry = pieces.map((p) => p.in.to),
    exit = pieces.map((p) => p.out.from);
  const first = components[0] as string;
  // Take all but the first out of the row, then open the row around the first.
  for (const component of components.slice(1))
    connections = healed(connections, component, ids.run);
  const into = connections.find((l) => l.to.component === first),
    out = connections.find((l) => l.from.component === first);
  if (!into || !out) return null;
  const n = components.length;
  const makeTees = (word: string): Component[] =>
    Array.from({ length: n - 1 }, (_, i) =>
      hanging(ids.component('tee'), n > 2 ? `${word} ${i + 1}` : word, tee),
    );
  const splits = makeTees(msg`Split`),
    joins = makeTees(msg`Join`);
  const at = (tees: readonly Component[], i: number, port: string): PortRef => ({
    component: (tees[i] as Component).id,
    port,
  });
  const fresh: Connection[] = [
    { ...into, to: at(splits, 0, ports.a), by: 'tube', ends: { from: into.ends.from, to: 'auto' } },
  ];
  for (let i = 0; i < n - 1; i += 1) {
    fresh.push(tube(ids.run(), at(splits, i, ports.branch), entry[i] as PortRef));
    fresh.push(
      tube(
        ids.run(),
        at(splits, i, ports.b),
        i === n - 2 ? (entry[n - 1] as PortRef) : at(splits, i + 1, ports.a),
      ),
    );
  }
  fresh.push(tube(ids.run(), exit[0] as PortRef, at(joins, 0, ports.a)));
  for (let i = 0; i < n - 1; i += 1) {
    fresh.push(tube(ids.run(), exit[i + 1] as PortRef, at(joins, i, ports.branch)));
    if (i < n - 2) fresh.push(tube(ids.run(), at(joins, i, ports.b), at(joins, i + 1, ports.a)));
  }
  fresh.push({
    ...out,
    from: at(joins, n - 2, ports.b),
    by: 'tube',
    ends: { from: 'auto', to: out.ends.to },
  });
  const rest = connections.filter((l) => l !== into && l !== out);
  return {
    do: 'batch',
    edits: [
      ...[...splits, ...joins].map((component): Edit => ({ do: 'component.add', component })),
      { do: 'loop.connections', loop: loopId, connections: [...fresh, ...rest] },
    ],
  };
}

/** The run over a component that is taken out of its row. */
function healed(
  connections: readonly Connection[],
  component: string,
  id: () => string,
): readonly Connection[] {
  const into = connections.find((l) => l.to.component === component),
    out = connections.find((l) => l.from.component === component);
  if (!into || !out) return connections;
  const rest = connections.filter((l) => l !== into && l !== out);
  return into.from.component === out.to.component ? rest : [...rest, tube(id(), into.from, out.to)];
}

/**
 * A second pump of the same loop behind the first, or beside it between two tees. Null when the
 * first is not simply passed through.
 */
export function secondPump(
  design: Design,
  loopId: string,
  pump: string,
  part: PumpPart,
  how: 'series' | 'parallel',
  tee: InlinePart | null,
  placement: Placement,
): Edit | null {
  const loop = design.loops.find((l) => l.id === loopId);
  const way = loop && through(loop, pump);
  const first = findComponent(design, pump);
  const inlet = part.ports.find((p) => p.role === 'in')?.id,
    outlet = part.ports.find((p) => p.role === 'out')?.id;
  if (!loop || !way || !first || inlet === undefined || outlet === undefined) return null;
  const ids = idsOf(design);
  const speed = first.settings.speed_rpm;
  const settings =
    speed === undefined
      ? {}
      : { speed_rpm: Math.min(part.fullSpeed_rpm, Math.max(part.minSpeed_rpm, speed)) };
  const second: Component = {
    ...hanging(ids.component('pump'), msg`${first.name}, second`, part, placement),
    settings,
  };
  const rest = loop.connections.filter((l) => l !== way.out && (how === 'series' || l !== way.in));
  const caps = part.ports
    .filter((p) => p.id !== inlet && p.id !== outlet)
    .map((p): Edit => ({
      do: 'cap.set',
      loop: loopId,
      port: { component: second.id, port: p.id },
      with: 'plug',
    }));
  if (how === 'series') {
    const connections = [
      ...rest,
      { ...way.out, to: { component: second.id, port: inlet }, by: 'tube' as const, ends: auto },
      tube(ids.run(), { component: second.id, port: outlet }, way.out.to),
    ];
    return {
      do: 'batch',
      edits: [
        { do: 'component.add', component: second },
        { do: 'loop.connections', loop: loopId, connections },
        ...caps,
      ],
    };
  }
  const ports = tee && teePorts(tee);
  if (!tee || !ports) return null;
  const split = hanging(ids.component('tee'), msg`Split before the pumps`, tee),
    join = hanging(ids.component('tee'), msg`Join after the pumps`, tee);
  const connections = [
    ...rest,
    { ...way.in, to: { component: split.id, port: ports.a }, by: 'tube' as const, ends: auto },
    tube(ids.run(), { component: split.id, port: ports.b }, way.in.to),
    tube(
      ids.run(),
      { component: split.id, port: ports.branch },
      { component: second.id, port: inlet },
    ),
    tube(ids.run(), way.out.from, { component: join.id, port: ports.a }),
    tube(
      ids.run(),
      { component: second.id, port: outlet },
      { component: join.id, port: ports.branch },
    ),
    { ...way.out, from: { component: join.id, port: ports.b }, by: 'tube' as const, ends: auto },
  ];
  return {
    do: 'batch',
    edits: [second, split, join]
      .map((component): Edit => ({ do: 'component.add', component }))
      .concat([{ do: 'loop.connections', loop: loopId, connections }, ...caps]),
  };
}

/**
 * Moves a part that is simply passed through into another run, the gap it leaves closed. Works in
 * branched loops. Null when it cannot.
 */
export function moveInto(
  design: Design,
  loopId: string,
  component: string,
  linkId: string,
): Edit | null {
  const loop = design.loops.find((l) => l.id === loopId);
  const way = loop && through(loop, component);
  if (!loop || !way || way.in.id === linkId || way.out.id === linkId) return null;
  const ids = idsOf(design);
  const connections = healed(loop.connections, component, ids.run);
  const target = connections.find((l) => l.id === linkId);
  if (!target) return null;
  const system = compileSystem(design);
  const ports = passThrough(
    design,
    system,
    component,
    placeOf(system, target.from),
    placeOf(system, target.to),
  ) ?? { in: way.in.to.port, out: way.out.from.port };
  const used = [ports.in, ports.out],
    was = [way.in.to.port, way.out.from.port];
  return {
    do: 'batch',
    edits: [
      {
        do: 'loop.connections',
        loop: loopId,
        connections: connections.flatMap((l) =>
          l === target
            ? [
                { ...target, to: { component, port: ports.in }, by: 'tube' as const, ends: auto },
                tube(ids.run(), { component, port: ports.out }, target.to),
              ]
            : [l],
        ),
      },
      ...used
        .filter((p) => !was.includes(p))
        .map((port): Edit => ({
          do: 'cap.set',
          loop: loopId,
          port: { component, port },
          with: null,
        })),
      ...was
        .filter((p) => !used.includes(p))
        .map((port): Edit => ({
          do: 'cap.set',
          loop: loopId,
          port: { component, port },
          with: 'plug',
        })),
    ],
  };
}

/**
 * Everything of a loop in one row again: its tees are let go, what stood side by side stands one
 * behind the other.
 */
export function rowEdit(design: Design, loopId: string): Edit | null {
  const graph = compileSystem(design).loops.find((g) => g.loop.id === loopId);
  if (!graph?.branched) return null;
  const isTee = (id: string): boolean => {
    const part = findComponent(design, id)?.part;
    return part?.kind === 'inline' && part.tee !== undefined;
  };
  const tees = graph.stations.filter(isTee);
  return {
    do: 'batch',
    edits: [
      reorderLoop(
        design,
        loopId,
        graph.stations.filter((s) => !isTee(s)),
      ),
      ...tees.map((component): Edit => ({ do: 'component.remove', component })),
    ],
  };
}
