import type { Build, Loop } from '../design';
import { isWet } from '../components';
import { chambersOf } from './chambers';
import { chamberGroups, layoutLoop } from './lanes';
import { nodeOf, type GraphEdge, type LoopGraph, type LoopLayout, type Visit } from './types';

const chamberOf = (build: Build, component: string, port: string): string | null => {
  const part = build.components.find((i) => i.id === component)?.part;
  return part && isWet(part) ? (chambersOf(part).ofPort.get(port) ?? null) : null;
};

/** A loop's runs and the passages of the parts they touch, as a graph; and the order in which the coolant meets the parts. */
export function graphOf(build: Build, loop: Loop): LoopGraph {
  const edges: GraphEdge[] = [];
  for (const link of loop.links) {
    const a = chamberOf(build, link.from.component, link.from.port),
      b = chamberOf(build, link.to.component, link.to.port);
    if (a === null || b === null) continue;
    edges.push({
      id: link.id,
      from: nodeOf(link.from.component, a),
      to: nodeOf(link.to.component, b),
      kind: link.by,
      link,
    });
  }
  const nodes = new Set(edges.flatMap((e) => [e.from, e.to]));
  const touched = new Set(loop.links.flatMap((l) => [l.from.component, l.to.component]));
  for (const component of build.components) {
    if (!touched.has(component.id) || !isWet(component.part)) continue;
    const groups = chamberGroups(build, component.id).filter((g) =>
      g.some((c) => nodes.has(nodeOf(component.id, c))),
    );
    component.part.passages.forEach((passage, i) => {
      if (!groups.some((g) => g.includes(passage.from))) return;
      const [from, to] = directed(loop, component.id, passage.from, passage.to, build);
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
    ...inOrder(build, loop),
  };
}

/** A passage without a marked direction runs the way the builder's runs enter it. A one-way passage stays as made. */
function directed(
  loop: Loop,
  component: string,
  from: string,
  to: string,
  build: Build,
): readonly [string, string] {
  const part = build.components.find((i) => i.id === component)?.part;
  if (!part || !isWet(part) || part.kind === 'pump') return [from, to];
  const entersAtTo = loop.links.some(
    (l) => l.to.component === component && chamberOf(build, component, l.to.port) === to,
  );
  const leavesAtFrom = loop.links.some(
    (l) => l.from.component === component && chamberOf(build, component, l.from.port) === from,
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

function inOrder(build: Build, loop: Loop): Order {
  const layout = layoutLoop(build, loop);
  const { visits, legs, order } = layout;
  const rank = new Map(order.map((v, k) => [v, k]));
  const outs = (v: number): number => legs.filter((l) => l.from === v).length,
    ins = (v: number): number => legs.filter((l) => l.to === v).length;
  return {
    layout,
    stations: [...new Set(order.map((v) => (visits[v] as Visit).component))],
    route: [...legs]
      .sort((a, b) => (rank.get(a.from) ?? 0) - (rank.get(b.from) ?? 0))
      .map((l) => l.link),
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
