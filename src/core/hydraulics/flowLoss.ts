import { type ComponentId } from '../design';
import type { FluidLink, LoopGraph } from '../system';
import { clogCurve } from './curve';
import type { FlowNetwork } from './links';
import { solveNetwork } from './network';

export const FLOW_LOSS_SHARES = [0.25, 0.5, 0.75] as const;

/** What dirt in one part does to the loop. */
export interface FlowLoss {
  readonly component: ComponentId;
  readonly steps: readonly {
    readonly share: number;
    /** Round the loop, and through the part itself, L/min. */
    readonly flow_Lmin: number;
    readonly through_Lmin: number;
    readonly drop_kPa: number;
  }[];
}

/** Blocks, filters and meters: where dirt settles. */
const settles = ({ part }: FluidLink): boolean =>
  part?.kind === 'block' ||
  (part?.kind === 'inline' && (part.duty === 'filter' || part.duty === 'meter'));

/**
 * For every part where dirt settles: the flow with a share of its channels plugged, on top of what
 * is plugged already.
 */
export function flowLossSweep(graph: LoopGraph, network: FlowNetwork): readonly FlowLoss[] {
  const components = [...new Set(graph.links.filter(settles).flatMap((l) => l.component ?? []))];
  return components.map((component): FlowLoss => {
    const own = new Set(graph.links.filter((l) => l.component === component).map((l) => l.id));
    return {
      component,
      steps: FLOW_LOSS_SHARES.map((share) => {
        const { flows, drops } = solveNetwork({
          ...network,
          links: network.links.map((l) =>
            own.has(l.id) && l.curve ? { ...l, curve: clogCurve(l.curve, share) } : l,
          ),
        });
        const through = [...own].map((id) => Math.abs(flows.get(id) ?? 0));
        return {
          share,
          flow_Lmin: Math.max(0, ...[...flows.values()].map(Math.abs)),
          through_Lmin: through.reduce((a, b) => a + b, 0),
          drop_kPa: Math.max(0, ...[...own].map((id) => drops.get(id) ?? 0)),
        };
      }),
    };
  });
}
