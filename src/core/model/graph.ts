import type { Build, Link, Loop } from '../build';
import { isWet } from '../part';
import { nodeOf, type GraphEdge, type LoopGraph } from './types';

const chamberOf = (build: Build, item: string, port: string): string | null => {
  const part = build.items.find((i) => i.id === item)?.part;
  return part && isWet(part) ? part.ports.find((p) => p.id === port)?.chamber ?? null : null;
};

/** A loop's runs and the passages of the parts they touch, as a graph; and the order in which the coolant meets the parts. */
export function graphOf(build: Build, loop: Loop): LoopGraph {
  const edges: GraphEdge[] = [];
  for (const link of loop.links) {
    const a = chamberOf(build, link.from.item, link.from.port), b = chamberOf(build, link.to.item, link.to.port);
    if (a === null || b === null) continue;
    edges.push({ id: link.id, from: nodeOf(link.from.item, a), to: nodeOf(link.to.item, b), kind: link.by, link });
  }
  const touched = new Set(loop.links.flatMap((l) => [l.from.item, l.to.item]));
  for (const item of build.items) {
    if (!touched.has(item.id) || !isWet(item.part)) continue;
    item.part.passages.forEach((passage, i) => {
      const [from, to] = directed(loop, item.id, passage.from, passage.to, build);
      edges.push({ id: `${item.id}.${i + 1}`, from: nodeOf(item.id, from), to: nodeOf(item.id, to), kind: 'passage', item, passage });
    });
  }
  return { loop, nodes: [...new Set(edges.flatMap((e) => [e.from, e.to]))], edges, ...walk(build, loop) };
}

/** A passage without a marked direction runs the way the builder's runs enter it. A one-way passage stays as made. */
function directed(loop: Loop, item: string, from: string, to: string, build: Build): readonly [string, string] {
  const part = build.items.find((i) => i.id === item)?.part;
  if (!part || !isWet(part) || part.kind === 'pump') return [from, to];
  const entersAtTo = loop.links.some((l) => l.to.item === item && chamberOf(build, item, l.to.port) === to);
  const leavesAtFrom = loop.links.some((l) => l.from.item === item && chamberOf(build, item, l.from.port) === from);
  return entersAtTo && leavesAtFrom ? [to, from] : [from, to];
}

interface Walk { readonly stations: readonly string[]; readonly route: readonly string[]; readonly closed: boolean; readonly branched: boolean }

function walk(build: Build, loop: Loop): Walk {
  const kindOf = (id: string): string => build.items.find((i) => i.id === id)?.part.kind ?? '';
  const outgoing = new Map<string, Link[]>();
  const incoming = new Map<string, number>();
  for (const l of loop.links) {
    outgoing.set(l.from.item, [...(outgoing.get(l.from.item) ?? []), l]);
    incoming.set(l.to.item, (incoming.get(l.to.item) ?? 0) + 1);
  }
  const items = [...new Set(loop.links.flatMap((l) => [l.from.item, l.to.item]))];
  const start = items.find((i) => kindOf(i) === 'reservoir') ?? items.find((i) => kindOf(i) === 'pump') ?? items.find((i) => !incoming.has(i)) ?? items[0];
  const stations: string[] = [], route: string[] = [];
  const used = new Set<string>();
  let at = start, closed = false;
  while (at !== undefined) {
    if (!stations.includes(at)) stations.push(at);
    const next: Link | undefined = (outgoing.get(at) ?? []).find((l) => !used.has(l.id));
    if (!next) break;
    used.add(next.id);
    route.push(next.id);
    if (next.to.item === start) { closed = true; break; }
    at = next.to.item;
  }
  const branched = items.some((i) => (outgoing.get(i)?.length ?? 0) > 1 || (incoming.get(i) ?? 0) > 1);
  return {
    stations: [...stations, ...items.filter((i) => !stations.includes(i))],
    route: [...route, ...loop.links.map((l) => l.id).filter((id) => !route.includes(id))],
    closed: closed && loop.links.every((l) => used.has(l.id)),
    branched,
  };
}
