import { findComponent, type Design, type Loop } from '../design';
import { isWet } from '../components';
import { chambersOf } from './chambers';
import { chamberGroups, layoutLoop } from './lanes';
import { nodeOf, type GraphEdge, type LoopGraph, type LoopLayout, type Visit } from './types';

const chamberOf = (design: Design, component: string, port: string): string | null => {
  const part = findComponent(design, component)?.part;
  return part && isWet(part) ? (chambersOf(part).ofPort.get(port) ?? null) : null;
};

/** A loop's runs and the passages of the parts they touch, as a graph; and the order in which the coolant meets the parts. */
export function graphOf(design: Design, loop: Loop): LoopGraph {
  const edges: GraphEdge[] = [];
  for (const connection of loop.connections) {
    const a = chamberOf(design, connection.from.component, connection.from.port),
      b = chamberOf(design, connection.to.component, connection.to.port);
    if (a === null || b === null) continue;
    edges.push({
      id: connection.id,
      from: nodeOf(connection.from.component, a),
      to: nodeOf(connection.to.component, b),
      kind: connection.by,
      connection,
    });
  }
  const nodes = new Set(edges.flatMap((e) => [e.from, e.to]));
  const touched = new Set(loop.connections.flatMap((l) => [l.from.component, l.to.component]));
  for (const component of design.components) {
    if (!touched.has(component.id) || !isWet(component.part)) continue;
    const groups = chamberGroups(design, component.id).filter((g) =>
      g.some((c) => nodes.has(nodeOf(component.id, c))),
    );
    component.part.passages.forEach((passage, i) => {
      if (!groups.some((g) => g.includes(passage.from))) return;
      const [from, to] = directed(loop, component.id, passage.from, passage.to, design);
      edges.push({
        id: `${component.id}.${i + 1}`,
        from: nodeOf(component.id, from),
        to: nodeOf(component.id, to),
        kind: 'passage',
        component,
        passage,
      });
    });
  }
  return {
    loop,
    nodes: [...new Set(edges.flatMap((e) => [e.from, e.to]))],
    edges,
    ...inOrder(design, loop),
  };
}

/** A passage without a marked direction runs the way the builder's runs enter it. A one-way passage stays as made. */
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
  readonly stations: readonly string[];
  readonly route: readonly string[];
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
