import type { FlowReport } from '../flow';
import { coolantProperties } from '../fluid';
import type { LoopGraph } from '../model';
import { LMIN_TO_M3S } from '../quantity';
import { gaussSolve } from './gauss';

/** What happens to the coolant along one link: heat put in, or a conductance to air of a temperature. */
export interface LinkHeat { readonly gain_W?: number; readonly conductance_WK?: number; readonly air_C?: number }

export interface LoopTemperatures {
  readonly nodes: readonly string[];
  /** Coolant at each node, °C, in the order of `nodes`. */
  readonly values_C: Float64Array;
  /** Coolant entering and leaving a link, °C; undefined where nothing flows. */
  link(id: string): { readonly in_C: number; readonly out_C: number } | undefined;
}

/** The part of a loop's balance that stays while heats and airs change: which streams flow where, and their capacity. */
export interface LoopStreams { readonly nodes: readonly string[]; readonly streams: readonly { readonly id: string; readonly from: number; readonly to: number; readonly capacity_WK: number }[] }

export function loopStreams(graph: LoopGraph, flow: FlowReport, coolant_C: number): LoopStreams {
  const fluid = coolantProperties(graph.loop.coolant.base, coolant_C);
  const perFlow = LMIN_TO_M3S * fluid.density_kgm3 * fluid.heatCapacity_JkgK;
  const index = new Map<string, number>();
  const at = (node: string): number => { const i = index.get(node) ?? index.size; index.set(node, i); return i; };
  const streams = flow.links.filter((l) => l.loop === graph.loop.id && Math.abs(l.flow_Lmin) > 1e-6).map((l) => ({
    id: l.id, from: at(l.flow_Lmin >= 0 ? l.from : l.to), to: at(l.flow_Lmin >= 0 ? l.to : l.from), capacity_WK: Math.abs(l.flow_Lmin) * perFlow,
  }));
  return { nodes: [...index.keys()], streams };
}

/**
 * One linear heat balance over a loop: streams mix at nodes, blocks add P/(m cp), a radiator takes K (T_in − T_air).
 * Null when nothing flows or no radiator removes heat: then no steady temperature exists.
 */
export function balanceLoop({ nodes, streams }: LoopStreams, heat: ReadonlyMap<string, LinkHeat>): LoopTemperatures | null {
  if (streams.length === 0 || !streams.some((s) => (heat.get(s.id)?.conductance_WK ?? 0) > 0)) return null;
  const n = nodes.length;
  const a = new Float64Array(n * n), b = new Float64Array(n);
  for (const s of streams) {
    const h = heat.get(s.id);
    const k = h?.conductance_WK ?? 0;
    a[s.to * n + s.to] = (a[s.to * n + s.to] as number) + s.capacity_WK;
    a[s.to * n + s.from] = (a[s.to * n + s.from] as number) - (s.capacity_WK - k);
    b[s.to] = (b[s.to] as number) + (h?.gain_W ?? 0) + k * (h?.air_C ?? 0);
  }
  if (!gaussSolve(a, b, n)) return null;
  return {
    nodes, values_C: b,
    link: (id) => {
      const s = streams.find((x) => x.id === id);
      if (!s) return undefined;
      const h = heat.get(id);
      const in_C = b[s.from] as number;
      return { in_C, out_C: in_C + ((h?.gain_W ?? 0) - (h?.conductance_WK ?? 0) * (in_C - (h?.air_C ?? 0))) / s.capacity_WK };
    },
  };
}
