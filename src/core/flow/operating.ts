import { coolantProperties } from '../fluid';
import type { LoopGraph, Model } from '../model';
import type { Run } from '../run';
import { curveOfPump, pumpShare } from './laws';
import { solveNetwork, type LinkLaw } from './network';
import { headToPressure, pumpHead } from './pump';
import { loopLaws } from './solve';

export interface ChartPoint { readonly flow_Lmin: number; readonly pressure_kPa: number }

/** What the loop without its pumps takes at each flow, kPa. The flow enters where the first pump leaves and is taken where it draws. */
export function loopCurve(model: Model, graph: LoopGraph, runs: readonly Run[], coolant_C: number, flows: readonly number[]): readonly ChartPoint[] {
  const isPump = (id: string): boolean => graph.edges.some((e) => e.id === id && e.item?.part.kind === 'pump');
  const laws = loopLaws(model, graph, runs, coolant_C);
  const first = laws.find((l) => isPump(l.id));
  if (!first) return [];
  const rest = laws.filter((l) => !isPump(l.id));
  const bypassed: LinkLaw[] = laws.filter((l) => isPump(l.id) && l !== first).map((l) => ({ ...l, drop: (q: number) => 1e-4 * q, slope: () => 1e-4 }));
  if (!graph.branched) {
    return flows.map((flow_Lmin) => ({ flow_Lmin, pressure_kPa: rest.reduce((sum, l) => sum + l.drop(flow_Lmin), 0) }));
  }
  return flows.map((flow_Lmin) => {
    const forced: LinkLaw = { id: first.id, from: first.from, to: first.to, drop: (q) => 1e4 * (q - flow_Lmin), slope: () => 1e4, guess_Lmin: flow_Lmin };
    const solved = solveNetwork([...rest, ...bypassed, forced], [first.from]);
    return { flow_Lmin, pressure_kPa: solved.pressures.get(first.to) ?? 0 };
  });
}

/** What the loop's pumps give together at each flow, kPa: series pumps add heads. */
export function pumpsCurve(graph: LoopGraph, coolant_C: number, flows: readonly number[], share?: number): readonly ChartPoint[] {
  const density = coolantProperties(graph.loop.coolant.base, coolant_C).density_kgm3;
  const pumps = graph.edges.flatMap((e) => (e.item?.part.kind === 'pump' ? [{ curve: curveOfPump(e.item.part), s: share ?? pumpShare(e.item.part, e.item.settings.speed_rpm) }] : []));
  return flows.map((flow_Lmin) => ({ flow_Lmin, pressure_kPa: pumps.reduce((sum, p) => sum + headToPressure(pumpHead(p.curve, flow_Lmin, p.s).head_m, density), 0) }));
}
