import {
  applyEdit,
  componentName,
  findComponent,
  freeId,
  loopOfComponent,
  samePort,
  type Connection,
  type Design,
  type Edit,
  type Loop,
  type PortRef,
} from '../design';
import { isWet, type InlinePart, type Port } from '../components';
import { msg } from '../messages';
import { teePorts } from './branch';
import { insertStation } from './propose';

/** What would be done, or why it cannot. */
export type Drawn =
  | { readonly edit: Edit; readonly connection: string }
  | { readonly why: string; readonly taken?: PortRef };

const portOf = (design: Design, { component, port }: PortRef): Port | undefined => {
  const part = findComponent(design, component)?.part;
  return part && isWet(part) ? part.ports.find((p) => p.id === port) : undefined;
};

/** The run that ends in a port, and its loop. */
export function runAt(
  design: Design,
  ref: PortRef,
): { readonly loop: Loop; readonly connection: Connection } | null {
  for (const loop of design.loops)
    for (const connection of loop.connections)
      if (samePort(connection.from, ref) || samePort(connection.to, ref))
        return { loop, connection };
  return null;
}

/** A reference and nothing more: caps are references too. */
const bare = ({ component, port }: PortRef): PortRef => ({ component, port });

const nameOf = (design: Design, ref: PortRef): string =>
  `${componentName(design, ref.component)}, ${portOf(design, ref)?.name ?? ref.port}`;

/**
 * A run of tube from any free port to any other of a loop: round a part, to a dead end, to a spare
 * terminal, through a wall. It leads from an outlet to an inlet where the parts say which is which.
 * What closed the ports comes off; the ports of a part that comes into the loop so are plugged.
 */
export function drawRun(design: Design, a: PortRef, b: PortRef): Drawn {
  const ports = [portOf(design, a), portOf(design, b)] as const;
  if (!ports[0] || !ports[1]) return { why: msg`One of the two is no port.` };
  if (samePort(a, b)) return { why: msg`A run needs two ports.` };
  for (const ref of [a, b])
    if (runAt(design, ref))
      return {
        why: msg`${nameOf(design, ref)} has a run already: a tee in it makes room for another.`,
        taken: ref,
      };
  const loops = [a, b].map((ref) => loopOfComponent(design, ref.component));
  const [first, second] = loops;
  if (first && second && first !== second)
    return { why: msg`It would join ${first.name} and ${second.name}.` };
  const loop = first ?? second;
  if (!loop) return { why: msg`Neither part is in a loop yet: connect the parts to a loop first.` };
  const backwards = ports[0].role === 'in' || ports[1].role === 'out';
  const [from, to] = backwards ? [b, a] : [a, b];
  const id = freeId(
    design.loops.flatMap((l) => l.connections.map((c) => c.id)),
    'run',
  );
  const connection: Connection = {
    id,
    from: bare(from),
    to: bare(to),
    by: 'tube',
    ends: { from: 'auto', to: 'auto' },
  };
  return {
    connection: id,
    edit: {
      do: 'batch',
      edits: [
        { do: 'connection.add', loop: loop.id, connection },
        ...[a, b]
          .filter((_, i) => loops[i] === undefined)
          .flatMap((ref) => plugsBeside(design, loop, ref)),
      ],
    },
  };
}

/** Plugs for the other ports of a part that is new in a loop. */
const plugsBeside = (design: Design, loop: Loop, { component, port }: PortRef): readonly Edit[] => {
  const part = findComponent(design, component)?.part;
  return part && isWet(part)
    ? part.ports
        .filter((p) => p.id !== port)
        .map((p): Edit => ({
          do: 'cap.set',
          loop: loop.id,
          port: { component, port: p.id },
          with: 'plug',
        }))
    : [];
};

/** A piece put into a loop, and its ports that nothing ends in yet. */
export interface PutIn {
  readonly edit: Edit;
  readonly component: string;
  readonly free: readonly PortRef[];
}

/** A tee, valve, filter, meter or coupling into one run; null where the run has no tube to cut. */
export function putIntoRun(
  design: Design,
  loop: string,
  connection: string,
  part: InlinePart,
  name: string,
): PutIn | null {
  const id = freeId(
    design.components.map((c) => c.id),
    part.duty,
  );
  const add: Edit = {
    do: 'component.add',
    component: { id, name, part, placement: { on: 'line' }, settings: {} },
  };
  const added = applyEdit(design, add).design;
  const into = part.tee
    ? teeInto(added, loop, connection, id, part)
    : insertStation(added, loop, id, connection);
  if (!into) return null;
  const edit: Edit = { do: 'batch', edits: [add, into] };
  const after = applyEdit(design, edit).design;
  const free = part.ports
    .map((p): PortRef => ({ component: id, port: p.id }))
    .filter((ref) => runAt(after, ref) === null);
  return { edit, component: id, free };
}

/** A tee lies in a run by its straight way; its side is plugged until something leads on from it. */
function teeInto(
  design: Design,
  loopId: string,
  connectionId: string,
  component: string,
  part: InlinePart,
): Edit | null {
  const loop = design.loops.find((l) => l.id === loopId),
    connection = loop?.connections.find((c) => c.id === connectionId),
    ports = teePorts(part);
  if (!loop || connection?.by !== 'tube' || !ports) return null;
  const second: Connection = {
    ...connection,
    id: freeId(
      design.loops.flatMap((l) => l.connections.map((c) => c.id)),
      'run',
    ),
    from: { component, port: ports.b },
    ends: { from: 'auto', to: connection.ends.to },
  };
  const first: Connection = {
    ...connection,
    to: { component, port: ports.a },
    ends: { from: connection.ends.from, to: 'auto' },
  };
  return {
    do: 'batch',
    edits: [
      {
        do: 'loop.connections',
        loop: loopId,
        connections: loop.connections.flatMap((c) => (c === connection ? [first, second] : [c])),
      },
      {
        do: 'cap.set',
        loop: loopId,
        port: { component, port: ports.branch },
        with: 'plug',
      },
    ],
  };
}

/**
 * A line from a spare port to a valve with a closed end: to fill or drain by, out where a hand
 * reaches it. Null where the port has a run already or its part is in no loop.
 */
export function lineOnto(
  design: Design,
  ref: PortRef,
  valve: InlinePart,
  name: string,
  duty: 'fill' | 'drain',
): PutIn | null {
  const loop = loopOfComponent(design, ref.component);
  const [near, far] = valve.ports;
  if (!loop || runAt(design, ref) || !near || !far) return null;
  const component = freeId(
    design.components.map((c) => c.id),
    `${duty}-valve`,
  );
  const add: Edit = {
    do: 'component.add',
    component: {
      id: component,
      name,
      part: valve,
      placement: { on: 'line' },
      settings: { shut: true },
    },
  };
  const run: Connection = {
    id: freeId(
      design.loops.flatMap((l) => l.connections.map((c) => c.id)),
      `${duty}-line`,
    ),
    from: bare(ref),
    to: { component, port: near.id },
    by: 'tube',
    ends: { from: 'auto', to: 'auto' },
  };
  return {
    component,
    free: [],
    edit: {
      do: 'batch',
      edits: [
        add,
        { do: 'connection.add', loop: loop.id, connection: run },
        { do: 'cap.set', loop: loop.id, port: { component, port: far.id }, with: duty },
      ],
    },
  };
}
