import {
  findComponent,
  type Component,
  type ComponentId,
  type Connection,
  type ConnectionId,
  type Design,
  type Loop,
  type PortRef,
} from '../design';
import { isWet, type InlinePart, type Passage, type WetPart } from '../components';
import { chambersOf } from './chambers';
import { chamberGroups, layoutLoop } from './lanes';
import {
  nodeIdOf,
  type FluidLink,
  type FluidNode,
  type LinkLaw,
  type LoopGraph,
  type LoopLayout,
  type Visit,
} from './types';

/**
 * A loop's connections and the passages of the parts they touch, as a graph; and the order in which
 * the coolant meets the parts.
 */
export function graphOf(design: Design, loop: Loop): LoopGraph {
  const tubes = loop.connections.flatMap((connection) => tubeLink(design, connection) ?? []);
  const links = [...tubes, ...passageLinks(design, loop, tubes)];
  return { loop, nodes: nodesOf(design, links), links, ...inOrder(design, loop) };
}

const nodeAt = (design: Design, ref: PortRef) => {
  const chamber = chamberOf(design, ref.component, ref.port);
  return chamber === null ? null : nodeIdOf(ref.component, chamber);
};

function tubeLink(design: Design, connection: Connection): FluidLink | null {
  const from = nodeAt(design, connection.from),
    to = nodeAt(design, connection.to);
  if (from === null || to === null) return null;
  return {
    id: connection.id,
    from,
    to,
    kind: connection.by,
    law: { kind: connection.by === 'direct' ? 'direct' : 'tube' },
    component: null,
    part: null,
    volume_mL: null,
    heat: null,
  };
}

/** The passages of every part a connection touches, as far as they are tied to what it touches. */
function passageLinks(design: Design, loop: Loop, tubes: readonly FluidLink[]): FluidLink[] {
  const met = new Set(tubes.flatMap((link) => [link.from, link.to]));
  const touched = new Set(loop.connections.flatMap((c) => [c.from.component, c.to.component]));
  return design.components
    .filter((component) => touched.has(component.id))
    .flatMap((component) => linksThrough(design, loop, component, met));
}

function linksThrough(
  design: Design,
  loop: Loop,
  { id, part }: Component,
  met: ReadonlySet<string>,
): FluidLink[] {
  if (!isWet(part)) return [];
  const tied = chamberGroups(design, id).filter((group) =>
    group.some((chamber) => met.has(nodeIdOf(id, chamber))),
  );
  return part.passages.flatMap((passage, i): FluidLink[] => {
    if (!tied.some((group) => group.includes(passage.from))) return [];
    const [from, to] = directed(loop, id, passage.from, passage.to, design);
    return [
      {
        id: `${id}.${i + 1}`,
        from: nodeIdOf(id, from),
        to: nodeIdOf(id, to),
        kind: 'passage',
        law: lawOf(part, passage),
        component: id,
        part,
        // A reservoir's coolant stands in its chambers.
        volume_mL: part.kind === 'reservoir' ? 0 : part.volume_mL / part.passages.length,
        heat: heatOf(part),
      },
    ];
  });
}

function lawOf(part: WetPart, passage: Passage): LinkLaw {
  if (part.kind === 'pump') return { kind: 'pump', part };
  if (part.kind === 'inline' && part.tee) return legLaw(part.tee, passage);
  return { kind: 'measured', points: passage.points };
}

function legLaw(tee: NonNullable<InlinePart['tee']>, { from }: Passage): LinkLaw {
  const leg = () => {
    if (from === tee.branch) return 'branch';
    return from === tee.run[0] ? 'run-a' : 'run-b';
  };
  return { kind: 'tee', leg: leg(), bore_mm: tee.bore_mm, leg_mm: tee.leg_mm };
}

function heatOf({ kind }: WetPart): FluidLink['heat'] {
  if (kind === 'block' || kind === 'pump' || kind === 'radiator') return kind;
  return null;
}

/** Each chamber that a link touches, in the order of the links. */
function nodesOf(design: Design, links: readonly FluidLink[]): ReadonlyMap<string, FluidNode> {
  const ids = new Set(links.flatMap((link) => [link.from, link.to]));
  const touched = design.components.filter(({ part }) => isWet(part));
  const known = new Map<string, FluidNode>();
  for (const { id: component, part } of touched)
    for (const chamber of isWet(part) ? chambersOf(part).groups.flat() : []) {
      const id = nodeIdOf(component, chamber);
      if (ids.has(id)) known.set(id, { id, component, chamber });
    }
  return new Map([...ids].map((id) => [id, known.get(id) as FluidNode]));
}

const chamberOf = (design: Design, component: string, port: string): string | null => {
  const part = findComponent(design, component)?.part;
  return part && isWet(part) ? (chambersOf(part).ofPort.get(port) ?? null) : null;
};

/**
 * A passage without a marked direction runs the way the builder's runs enter it. A one-way passage
 * stays as made.
 */
function directed(
  loop: Loop,
  component: string,
  from: string,
  to: string,
  design: Design,
): readonly [string, string] {
  const part = findComponent(design, component)?.part;
  if (!part || !isWet(part) || part.kind === 'pump') return [from, to];
  const entersAtTo = loop.connections.some(
    (l) => l.to.component === component && chamberOf(design, component, l.to.port) === to,
  );
  const leavesAtFrom = loop.connections.some(
    (l) => l.from.component === component && chamberOf(design, component, l.from.port) === from,
  );
  return entersAtTo && leavesAtFrom ? [to, from] : [from, to];
}

interface Order {
  readonly stations: readonly ComponentId[];
  readonly route: readonly ConnectionId[];
  readonly closed: boolean;
  readonly branched: boolean;
  readonly layout: LoopLayout;
}

function inOrder(design: Design, loop: Loop): Order {
  const layout = layoutLoop(design, loop);
  const { visits, legs, order } = layout;
  const rank = new Map(order.map((v, k) => [v, k]));
  const outs = (v: number): number => legs.filter((l) => l.from === v).length,
    ins = (v: number): number => legs.filter((l) => l.to === v).length;
  return {
    layout,
    stations: [...new Set(order.map((v) => (visits[v] as Visit).component))],
    route: [...legs]
      .sort((a, b) => (rank.get(a.from) ?? 0) - (rank.get(b.from) ?? 0))
      .map((l) => l.connection),
    closed: visits.length > 0 && circular(layout),
    branched: visits.some((_, v) => outs(v) > 1 || ins(v) > 1),
  };
}

/** Every visit is reached from the first along the runs, and against them. */
function circular({ visits, legs, order }: LoopLayout): boolean {
  const reached = (ahead: boolean): number => {
    const seen = new Set<number>(),
      stack = [order[0] as number];
    while (stack.length > 0) {
      const v = stack.pop() as number;
      if (seen.has(v)) continue;
      seen.add(v);
      for (const l of legs) if ((ahead ? l.from : l.to) === v) stack.push(ahead ? l.to : l.from);
    }
    return seen.size;
  };
  return reached(true) === visits.length && reached(false) === visits.length;
}
