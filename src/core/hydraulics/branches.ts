import type { ComponentId } from '../design';
import type { LoopGraph } from '../system';
import { chainNetwork } from './chains';
import type { FlowNetwork, NetworkLink } from './links';
import type { LinkFlow } from './solve';

/**
 * A stretch of a loop between two places where flow splits or joins: one flow through all of it.
 */
export interface Branch {
  readonly from: ComponentId;
  readonly to: ComponentId;
  /** Parts it leads through, in flow order; where it starts and ends not among them. */
  readonly components: readonly ComponentId[];
  readonly links: readonly string[];
  /** Along its way, L/min; never below 0. */
  readonly flow_Lmin: number;
  /** Of the largest flow in the loop, 0–1. */
  readonly share: number;
  /** What its parts and tubes take together, kPa; pumps left out. */
  readonly takes_kPa: number;
  /** In its tubes; null without any. */
  readonly reynolds: number | null;
}

/**
 * The stretches of a solved loop, in flow order: one for a plain ring, one a lane and the trunk for
 * a split one.
 */
export function branchesOf(
  graph: LoopGraph,
  network: FlowNetwork,
  links: readonly LinkFlow[],
): readonly Branch[] {
  const own = links.filter((l) => l.loop === graph.loop.id);
  const flowOf = (id: string): LinkFlow | undefined => own.find((l) => l.id === id);
  const most = Math.max(1e-9, ...own.map((l) => Math.abs(l.flow_Lmin)));
  const componentAt = (node: string): ComponentId => graph.nodes.get(node)?.component ?? node;
  const place = (id: string): number => {
    const link = flowOf(id);
    return link?.component ? graph.stations.indexOf(link.component) : graph.route.indexOf(id);
  };
  const rows = chainNetwork(network).chains.map((chain): Branch => {
    const forward = chain.members.map((m) => ({
      link: network.links[m.link] as NetworkLink,
      sign: m.sign,
    }));
    const first = forward[0],
      flow = first ? first.sign * (flowOf(first.link.id)?.flow_Lmin ?? 0) : 0;
    const way = flow < 0 ? [...forward].reverse().map((f) => ({ ...f, sign: -f.sign })) : forward;
    const start = way[0],
      end = way[way.length - 1];
    const firstNode = () => {
      if (start) {
        if (start.sign > 0) return start.link.from;
        return start.link.to;
      }
      return chain.fromNode;
    };
    const from = componentAt(firstNode());
    const lastNode = () => {
      if (end) {
        if (end.sign > 0) return end.link.to;
        return end.link.from;
      }
      return chain.fromNode;
    };
    const to = componentAt(lastNode());
    const tubes = way
      .map((f) => flowOf(f.link.id)?.reynolds)
      .filter((r): r is number => typeof r === 'number');
    return {
      from,
      to,
      links: way.map((f) => f.link.id),
      flow_Lmin: Math.abs(flow),
      share: Math.abs(flow) / most,
      components: [...new Set(way.flatMap((f) => flowOf(f.link.id)?.component ?? []))].filter(
        (i) => i !== from && i !== to,
      ),
      takes_kPa: way.reduce(
        (s, f) => s + (f.link.pump ? 0 : Math.abs(flowOf(f.link.id)?.drop_kPa ?? 0)),
        0,
      ),
      reynolds: tubes.length > 0 ? Math.max(...tubes) : null,
    };
  });
  return rows.sort((a, b) => place(a.links[0] ?? '') - place(b.links[0] ?? ''));
}
