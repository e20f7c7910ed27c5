import { networkOf, type FlowReport } from '../../core/hydraulics';
import type { System } from '../../core/system';
import type { Run } from '../../core/tubing';
import type { Vec } from '../../core/geometry';
import type { InpLoop } from './write';

/**
 * The loops of a build as networks to be written, at the coolant temperatures of its evaluation;
 * all, or the one named.
 */
export function inpLoops(
  system: System,
  runs: readonly Run[],
  flow: FlowReport,
  only?: string,
): readonly InpLoop[] {
  return system.loops
    .filter((g) => g.links.length > 0 && (only === undefined || g.loop.id === only))
    .map((graph): InpLoop => {
      const state = flow.loops.find((l) => l.id === graph.loop.id);
      const at = new Map<string, Vec>();
      for (const { id, component, chamber } of graph.nodes.values()) {
        const ports = (system.placed.get(component)?.ports ?? []).filter(
          (p) => p.port.chamber === chamber,
        );
        const first = ports[0];
        // A chamber is written at its highest port: where its coolant stands.
        if (first) at.set(id, ports.reduce((a, b) => (b.at[1] > a.at[1] ? b : a), first).at);
      }
      return {
        id: graph.loop.id,
        name: graph.loop.name,
        network: networkOf(system, graph, runs, state?.coolant_C ?? system.design.brief.room_C + 8),
        at,
      };
    });
}
