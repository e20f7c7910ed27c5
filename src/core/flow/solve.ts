import { coolantProperties } from '../fluid';
import type { LoopGraph, Model } from '../model';
import type { Run } from '../run';
import { flowBand, type FlowBand } from './bands';
import { isBetweenRegimes } from './friction';
import { edgeLaw, pumpShare } from './laws';
import { solveNetwork, type LinkLaw, type NetworkSolution } from './network';
import { pressureToHead } from './pump';
import { reynolds } from './tube';

export interface LinkFlow {
  readonly id: string;
  readonly loop: string;
  readonly from: string;
  readonly to: string;
  readonly kind: 'passage' | 'tube' | 'joint';
  readonly item: string | null;
  readonly flow_Lmin: number;
  /** Taken from the flow; a pump's is negative. */
  readonly drop_kPa: number;
  /** In the run's tube; null for parts. */
  readonly reynolds: number | null;
  readonly regime: 'laminar' | 'between laminar and turbulent' | 'turbulent' | null;
}

export interface PumpFlow { readonly id: string; readonly loop: string; readonly flow_Lmin: number; readonly head_m: number; readonly speed: number; readonly speed_rpm: number }

export interface LoopFlow {
  readonly id: string;
  readonly status: NetworkSolution['status'] | 'no-pump' | 'empty';
  readonly iterations: number;
  readonly residual: NetworkSolution['residual'];
  /** Through the pump, or the largest of several, L/min. */
  readonly flow_Lmin: number;
  /** What the pumps give, kPa. */
  readonly head_kPa: number;
  readonly coolant_C: number;
  readonly band: FlowBand;
  /** Node pressures relative to the reservoir, kPa. */
  readonly pressures: Readonly<Record<string, number>>;
}

export interface FlowReport { readonly loops: readonly LoopFlow[]; readonly links: readonly LinkFlow[]; readonly pumps: readonly PumpFlow[] }

/** The laws of a loop's links at a coolant temperature; what the operating chart and the sizing reuse. */
export function loopLaws(model: Model, graph: LoopGraph, runs: readonly Run[], coolant_C: number): LinkLaw[] {
  const fluid = coolantProperties(graph.loop.coolant.base, coolant_C);
  return graph.edges.map((e) => edgeLaw(e, graph.loop, runs.find((r) => r.id === e.id && r.loop === graph.loop.id), model.build.kit, fluid));
}

/** Flow and pressure of every loop at the given coolant temperatures (°C by loop id). */
export function solveFlow(model: Model, runs: readonly Run[], temperatures: ReadonlyMap<string, number>): FlowReport {
  const loops: LoopFlow[] = [], links: LinkFlow[] = [], pumps: PumpFlow[] = [];
  for (const graph of model.loops) {
    const { loop } = graph;
    const coolant_C = temperatures.get(loop.id) ?? model.build.brief.room_C + 8;
    const fluid = coolantProperties(loop.coolant.base, coolant_C);
    const laws = loopLaws(model, graph, runs, coolant_C);
    const hasPump = graph.edges.some((e) => e.item?.part.kind === 'pump' && pumpShare(e.item.part, e.item.settings.speed_rpm) > 0);
    const reservoirs = graph.edges.flatMap((e) => [e.from, e.to]).filter((n) => model.placed.get(n.split('/')[0] as string)?.item.part.kind === 'reservoir');
    const solution = hasPump ? solveNetwork(laws, [...new Set(reservoirs)].slice(0, 1)) : null;
    const flowOf = (id: string): number => {
      const q = solution?.status === 'solved' ? solution.flows.get(id) ?? 0 : 0;
      return Math.abs(q) < 1e-9 ? 0 : q;
    };
    let head = 0, flow = 0;
    graph.edges.forEach((edge, i) => {
      const q = flowOf(edge.id);
      const drop = solution ? (laws[i] as LinkLaw).drop(q) : 0;
      const re = edge.kind === 'tube' ? reynolds(q, loop.tube.inner_mm, fluid) : null;
      links.push({
        id: edge.id, loop: loop.id, from: edge.from, to: edge.to, kind: edge.kind, item: edge.item?.id ?? null, flow_Lmin: q, drop_kPa: drop, reynolds: re,
        regime: re === null || re === 0 ? null : isBetweenRegimes(re) ? 'between laminar and turbulent' : re < 3000 ? 'laminar' : 'turbulent',
      });
      if (edge.item?.part.kind === 'pump') {
        const speed = pumpShare(edge.item.part, edge.item.settings.speed_rpm);
        pumps.push({ id: edge.item.id, loop: loop.id, flow_Lmin: q, head_m: pressureToHead(-drop, fluid.density_kgm3), speed, speed_rpm: speed * edge.item.part.fullSpeed_rpm });
        head += -drop;
        flow = Math.max(flow, q);
      }
    });
    loops.push({
      id: loop.id, status: solution?.status ?? (graph.edges.length === 0 ? 'empty' : 'no-pump'), iterations: solution?.iterations ?? 0,
      residual: solution?.residual ?? { energy_kPa: 0, mass_Lmin: 0 }, flow_Lmin: flow, head_kPa: head, coolant_C, band: flowBand(flow),
      pressures: Object.fromEntries(solution?.pressures ?? []),
    });
  }
  return { loops, links, pumps };
}
