import {
  freeId,
  type Design,
  type Cap,
  type Edit,
  type Connection,
  type Loop,
  type PortRef,
  findComponent,
} from '../design';
import { compileSystem, facing, heightOf, roomAt, spans, type System } from '../system';
import type { CoolantPart, FittingPart, TubePart } from '../components';
import { distance, type Vec } from '../geometry';
import { fittingBodies, lowestDrain } from './drainPort';
import { looseParts } from './loose';
import { middleOf, passThrough, placeOf, portsOf } from './ports';

/**
 * Up to this many stations between pump and reservoir every order is tried; beyond, nearest next.
 */
const ALL_ORDERS_UP_TO = 7;

export interface LoopChoice {
  readonly name: string;
  readonly tube: TubePart;
  readonly fitting: FittingPart;
  readonly coolant: CoolantPart;
  readonly components?: readonly string[];
  /** Male-to-male fittings that may be taken where two ports face each other. */
  readonly bridges?: readonly FittingPart[];
}

/**
 * A loop through the given parts (default: all loose ones): reservoir, pump, then the shortest
 * order. Null with fewer than two parts.
 */
export function proposeLoop(design: Design, choice: LoopChoice): Edit | null {
  const components = (choice.components ?? looseParts(design)).filter(
    (id) => portsOf(design, id).length > 1,
  );
  if (components.length < 2) return null;
  const system = compileSystem(design);
  const id = freeId(
    design.loops.map((l) => l.id),
    'loop',
  );
  const connections = connect(
    design,
    system,
    orderStations(design, system, components),
    design.loops.flatMap((l) => l.connections.map((k) => k.id)),
    choice.bridges,
  );
  const loop: Loop = {
    id,
    name: choice.name,
    tube: choice.tube,
    fitting: choice.fitting,
    coolant: choice.coolant,
    coolantAge_months: 0,
    connections,
    caps: capSpares(design, system, components, connections, choice.fitting),
  };
  return { do: 'loop.add', loop };
}

/**
 * The same loop with its stations in another order; caps on ports now used are let go, freed ports
 * are plugged.
 */
export function reorderLoop(design: Design, loopId: string, stations: readonly string[]): Edit {
  const loop = design.loops.find((l) => l.id === loopId) as Loop;
  const system = compileSystem(design);
  const others = design.loops
    .filter((l) => l.id !== loopId)
    .flatMap((l) => l.connections.map((k) => k.id));
  const connections = connect(
    design,
    system,
    stations,
    others,
    loop.connections.flatMap((l) => l.bridge ?? []),
  );
  const used = (ref: PortRef): boolean =>
    connections.some((k) => same(k.from, ref) || same(k.to, ref));
  const capped = (ref: PortRef): boolean => loop.caps.some((c) => same(c, ref));
  const freed = stations
    .flatMap((component) => portsOf(design, component).map((p) => ({ component, port: p.id })))
    .filter((ref) => !used(ref) && !capped(ref));
  const displaced = loop.caps.filter(used);
  return {
    do: 'batch',
    edits: [
      { do: 'loop.connections', loop: loopId, connections },
      ...displaced.map((c): Edit => ({
        do: 'cap.set',
        loop: loopId,
        port: { component: c.component, port: c.port },
        with: null,
      })),
      ...closeFreed(freed, displaced).map((c): Edit => ({
        do: 'cap.set',
        loop: loopId,
        port: { component: c.component, port: c.port },
        with: c.with,
      })),
    ],
  };
}

/**
 * Freed ports get a plug; a drain or fill port whose place a run has taken moves to a freed port,
 * of the same part if it has one.
 */
function closeFreed(freed: readonly PortRef[], displaced: readonly Cap[]): readonly Cap[] {
  const left = [...freed];
  const moved = displaced.flatMap((cap): Cap[] => {
    if (cap.with === 'plug' || left.length === 0) return [];
    const own = left.findIndex((ref) => ref.component === cap.component);
    const [ref] = left.splice(Math.max(0, own), 1);
    return ref ? [{ ...ref, with: cap.with }] : [];
  });
  return [...moved, ...left.map((ref): Cap => ({ ...ref, with: 'plug' }))];
}

/**
 * Puts a loose part into a run: the one asked for, else where it lengthens the loop least. Null when
 * the loop has no run to open or the part no way through.
 */
export function insertStation(
  design: Design,
  loopId: string,
  component: string,
  into?: string,
): Edit | null {
  const loop = design.loops.find((l) => l.id === loopId);
  if (!loop) return null;
  const system = compileSystem(design);
  let best: { link: Connection; in: string; out: string; cost: number } | null = null;
  for (const connection of loop.connections) {
    if (connection.by === 'direct' || (into !== undefined && connection.id !== into)) continue;
    const from = placeOf(system, connection.from),
      to = placeOf(system, connection.to);
    const through = passThrough(design, system, component, from, to);
    if (!through) continue;
    const cost = through.cost - (from && to ? distance(from, to) : 0);
    if (!best || cost < best.cost)
      best = { link: connection, in: through.in, out: through.out, cost };
  }
  if (!best) return null;
  const { link: connection } = best;
  const taken = design.loops.flatMap((l) => l.connections.map((k) => k.id));
  const first: Connection = {
    ...connection,
    to: { component, port: best.in },
    ends: { from: connection.ends.from, to: 'auto' },
  };
  const second: Connection = {
    ...connection,
    id: freeId(taken, 'run'),
    from: { component, port: best.out },
    ends: { from: 'auto', to: connection.ends.to },
  };
  const spare = portsOf(design, component).filter((p) => p.id !== best.in && p.id !== best.out);
  return {
    do: 'batch',
    edits: [
      {
        do: 'loop.connections',
        loop: loopId,
        connections: loop.connections.flatMap((l) =>
          l.id === connection.id ? [first, second] : [l],
        ),
      },
      ...spare.map((p): Edit => ({
        do: 'cap.set',
        loop: loopId,
        port: { component, port: p.id },
        with: 'plug',
      })),
    ],
  };
}

const same = (a: PortRef, b: PortRef): boolean => a.component === b.component && a.port === b.port;

/**
 * Reservoir, pump(s), then blocks and radiators in the order that makes the loop shortest through
 * their middles.
 */
export function orderStations(
  design: Design,
  system: System,
  components: readonly string[],
): readonly string[] {
  const kind = (id: string): string => findComponent(design, id)?.part.kind ?? '';
  const head = [
    ...components.filter((i) => kind(i) === 'reservoir'),
    ...components.filter((i) => kind(i) === 'pump'),
  ];
  const rest = components.filter((i) => !head.includes(i));
  const at = new Map(components.map((i) => [i, middleOf(system, i)]));
  const roomsAt = new Map(components.map((i) => [i, roomsOfPorts(system, i)]));
  const step = (a: string | undefined, b: string | undefined): number => {
    const p = a === undefined ? null : (at.get(a) ?? null),
      q = b === undefined ? null : (at.get(b) ?? null);
    return p && q ? distance(p, q) : 150;
  };
  const first = head[head.length - 1],
    last = head[0];
  if (rest.length > ALL_ORDERS_UP_TO) return [...head, ...nearestNext(rest, first, step)];
  let best: readonly string[] = rest,
    least = Infinity;
  // From room to room a loop goes by what stands in both: a pass-through.
  const through = (id: string, room: string | null): { room: string | null; cost: number } => {
    const own = roomsAt.get(id) ?? [];
    if (room === null || own.length === 0 || own.includes(room))
      return { room: own.find((r) => r !== room) ?? own[0] ?? room, cost: 0 };
    return { room: own[0] ?? room, cost: WALL_COST };
  };
  const home = roomsAt.get(last ?? '')?.[0] ?? null;
  const visit = (
    done: string[],
    left: readonly string[],
    cost: number,
    room: string | null,
  ): void => {
    if (cost >= least) return;
    if (left.length === 0) {
      const total =
        cost +
        step(done[done.length - 1], last) +
        (room !== null && home !== null && room !== home ? WALL_COST : 0);
      if (total < least - 1e-9) {
        least = total;
        best = [...done];
      }
      return;
    }
    for (const next of left) {
      const way = through(next, room);
      visit(
        [...done, next],
        left.filter((l) => l !== next),
        cost + step(done[done.length - 1] ?? first, next) + way.cost,
        way.room,
      );
    }
  };
  visit([], rest, 0, roomsAt.get(first ?? '')?.[0] ?? home);
  return [...head, ...best];
}

/** What a run through a wall would cost, mm: more than any way round. */
const WALL_COST = 1e5;

/**
 * The rooms a part's ports are in, parted by walls; none of what hangs in its runs. The room behind
 * the tray is open to the one before it.
 */
function roomsOfPorts({ rooms, placed }: System, id: string): readonly string[] {
  const component = placed.get(id);
  if (!rooms || !component?.frame) return [];
  return [
    ...new Set(
      component.ports.map((p) => (roomAt(rooms, p.at) === 'outside' ? 'outside' : 'inside')),
    ),
  ];
}

function nearestNext(
  rest: readonly string[],
  first: string | undefined,
  step: (a: string | undefined, b: string | undefined) => number,
): string[] {
  const order: string[] = [];
  const left = [...rest];
  let at = first;
  while (left.length > 0) {
    left.sort((a, b) => step(at, a) - step(at, b));
    at = left.shift() as string;
    order.push(at);
  }
  return order;
}

/** Runs from station to station and back to the first, through the ports that keep them short. */
function connect(
  design: Design,
  system: System,
  stations: readonly string[],
  takenIds: readonly string[],
  bridges: readonly FittingPart[] = [],
): readonly Connection[] {
  const n = stations.length;
  const centre = (i: number): Vec | null => middleOf(system, stations[(i + n) % n] as string);
  const chosen: { in: string; out: string }[] = [];
  for (let i = 0; i < n; i += 1) {
    const component = stations[i] as string;
    const before =
      i === 0
        ? centre(n - 1)
        : placeOf(system, {
            component: stations[i - 1] as string,
            port: (chosen[i - 1] as { out: string }).out,
          });
    const through = passThrough(design, system, component, before, centre(i + 1));
    const ports = portsOf(design, component);
    chosen.push(through ?? { in: ports[0]?.id ?? '', out: ports[1]?.id ?? '' });
  }
  const taken = [...takenIds];
  return stations.map((component, i): Connection => {
    const next = (i + 1) % n;
    const from = { component, port: (chosen[i] as { out: string }).out };
    const to = { component: stations[next] as string, port: (chosen[next] as { in: string }).in };
    const id = freeId(taken, 'run');
    taken.push(id);
    return {
      id,
      from,
      to,
      ...directly(system, from, to, bridges),
      ends: { from: 'auto', to: 'auto' },
    };
  });
}

/**
 * A direct connection where the two ports face each other and a fitting reaches from one to the
 * other; a tube everywhere else.
 */
function directly(
  system: System,
  from: PortRef,
  to: PortRef,
  bridges: readonly FittingPart[],
): Pick<Connection, 'by' | 'bridge'> {
  const a = system.portAt(from),
    b = system.portAt(to);
  const way = a && b ? facing(a, b) : null;
  if (!way) return { by: 'tube' };
  if (spans(way, undefined)) return { by: 'direct' };
  const bridge = bridges.find((f) => f.span_mm !== undefined && spans(way, f));
  return bridge ? { by: 'direct', bridge } : { by: 'tube' };
}

/**
 * Spare ports: a cap to fill by at the highest made for it, else at the highest of all; a drain at
 * the lowest at which the valve has room, else at the lowest made for it; plugs on the rest.
 */
function capSpares(
  design: Design,
  system: System,
  components: readonly string[],
  connections: readonly Connection[],
  fitting: FittingPart,
): readonly Cap[] {
  const used = connections.flatMap((l) => [l.from, l.to]);
  const spare = components
    .flatMap((component) =>
      portsOf(design, component).map((port) => ({
        component,
        port,
        at: placeOf(system, { component, port: port.id }),
      })),
    )
    .filter((s) => !used.some((ref) => same(ref, { component: s.component, port: s.port.id })));
  const height = (s: (typeof spare)[number]): number =>
    s.at ? heightOf(system, s.at) : s.port.at[1];
  const highest = (from: typeof spare) => [...from].sort((a, b) => height(b) - height(a))[0];
  const lowest = (from: typeof spare) => [...from].sort((a, b) => height(a) - height(b))[0];
  const fill = highest(spare.filter((s) => s.port.duty === 'fill')) ?? highest(spare);
  const drains = spare.filter((s) => s !== fill);
  const roomy = lowestDrain(
    system,
    drains.map((s) => ({ component: s.component, port: s.port.id })),
    fittingBodies(system, used, fitting),
  );
  const made = lowest(drains.filter((s) => s.port.duty === 'drain')) ?? lowest(drains);
  return spare.map((s): Cap => {
    const ref = { component: s.component, port: s.port.id };
    if (s === fill) return { ...ref, with: 'fill' };
    if (roomy) return same(roomy, ref) ? roomy : { ...ref, with: 'plug' };
    return { ...ref, with: s === made ? 'drain' : 'plug' };
  });
}
