import type { FlowReport } from '../flow';
import { coolantProperties } from '../fluid';
import type { LoopGraph } from '../model';
import { LMIN_TO_M3S } from '../quantity';
import { luFactor, luSolve } from './gauss';

/** What happens to the coolant along one link: heat put in, or air of a temperature before its conductance. */
export interface LinkHeat {
  readonly gain_W?: number;
  readonly air_C?: number;
}

export interface LoopTemperatures {
  readonly nodes: readonly string[];
  /** Coolant at each node, °C, in the order of `nodes`. */
  readonly values_C: Float64Array;
  /** Coolant entering and leaving a link, °C; undefined where nothing flows. */
  link(id: string): { readonly in_C: number; readonly out_C: number } | undefined;
}

/** The part of a loop's balance that stays while heats and airs change: which streams flow where, and their capacity. */
export interface LoopStreams {
  readonly nodes: readonly string[];
  readonly streams: readonly {
    readonly id: string;
    readonly from: number;
    readonly to: number;
    readonly capacity_WK: number;
  }[];
}

export function loopStreams(graph: LoopGraph, flow: FlowReport, coolant_C: number): LoopStreams {
  const fluid = coolantProperties(graph.loop.coolant.base, coolant_C);
  const perFlow = LMIN_TO_M3S * fluid.density_kgm3 * fluid.heatCapacity_JkgK;
  const index = new Map<string, number>();
  const at = (node: string): number => {
    const i = index.get(node) ?? index.size;
    index.set(node, i);
    return i;
  };
  const streams = flow.links
    .filter((l) => l.loop === graph.loop.id && Math.abs(l.flow_Lmin) > 1e-6)
    .map((l) => ({
      id: l.id,
      from: at(l.flow_Lmin >= 0 ? l.from : l.to),
      to: at(l.flow_Lmin >= 0 ? l.to : l.from),
      capacity_WK: Math.abs(l.flow_Lmin) * perFlow,
    }));
  return { nodes: [...index.keys()], streams };
}

/** A loop's balance made ready: its conductances are in the factors, heats and airs are put in as often as wanted. */
export interface LoopFactors {
  readonly streams: LoopStreams;
  readonly conductance_WK: Float64Array;
  readonly lu: Float64Array;
  readonly order: Int32Array;
}

/**
 * One linear heat balance over a loop: streams mix at nodes, blocks add P/(m cp), a radiator takes K (T_in − T_air).
 * Null when nothing flows or no radiator removes heat: then no steady temperature exists.
 */
export function factorLoop(
  loop: LoopStreams,
  conductance: ReadonlyMap<string, number>,
): LoopFactors | null {
  const { nodes, streams } = loop;
  const conductance_WK = Float64Array.from(streams, (s) => conductance.get(s.id) ?? 0);
  if (!conductance_WK.some((k) => k > 0)) return null;
  const n = nodes.length;
  const lu = new Float64Array(n * n),
    order = new Int32Array(n);
  streams.forEach((s, i) => {
    lu[s.to * n + s.to] = (lu[s.to * n + s.to] as number) + s.capacity_WK;
    lu[s.to * n + s.from] =
      (lu[s.to * n + s.from] as number) - (s.capacity_WK - (conductance_WK[i] as number));
  });
  return luFactor(lu, order, n) ? { streams: loop, conductance_WK, lu, order } : null;
}

/** Temperatures of a loop under heats put into its links and airs before its radiators. */
export function balanceLoop(
  { streams: { nodes, streams }, conductance_WK, lu, order }: LoopFactors,
  heat: ReadonlyMap<string, LinkHeat>,
): LoopTemperatures {
  const b = new Float64Array(nodes.length);
  streams.forEach((s, i) => {
    const h = heat.get(s.id);
    b[s.to] =
      (b[s.to] as number) + (h?.gain_W ?? 0) + (conductance_WK[i] as number) * (h?.air_C ?? 0);
  });
  luSolve(lu, order, b, nodes.length);
  return {
    nodes,
    values_C: b,
    link: (id) => {
      const i = streams.findIndex((x) => x.id === id),
        s = streams[i];
      if (!s) return undefined;
      const h = heat.get(id);
      const in_C = b[s.from] as number;
      return {
        in_C,
        out_C:
          in_C +
          ((h?.gain_W ?? 0) - (conductance_WK[i] as number) * (in_C - (h?.air_C ?? 0))) /
            s.capacity_WK,
      };
    },
  };
}
