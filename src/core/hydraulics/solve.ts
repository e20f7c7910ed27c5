import { type LoopId, type ComponentId } from '../design';
import type { LoopGraph, System } from '../system';
import { linkVolume, type Run } from '../tubing';
import { anatomyOf, type Anatomy } from './anatomy';
import { flowBand, type FlowBand } from './bands';
import { isBetweenRegimes } from './friction';
import { networkOf, pumpShare, settingsIn, type SettingsOf } from './laws';
import type { FlowNetwork, NetworkSolution } from './links';
import { readyNetwork } from './network';
import { loopPressures, type LoopPressures } from './pressures';
import { pressureToHead } from './pump';
import { reynolds } from './tube';

export interface LinkFlow {
  readonly id: string;
  readonly loop: LoopId;
  readonly from: string;
  readonly to: string;
  readonly kind: 'passage' | 'tube' | 'direct';
  readonly component: ComponentId | null;
  /** Below 0 when it runs against the way the link is drawn. */
  readonly flow_Lmin: number;
  /** Taken from the flow; a pump's is negative. */
  readonly drop_kPa: number;
  /** Coolant in it, mL. */
  readonly volume_mL: number;
  /** In the run's tube; null for parts. */
  readonly reynolds: number | null;
  readonly regime: 'laminar' | 'between laminar and turbulent' | 'turbulent' | null;
}

export interface PumpFlow {
  readonly id: string;
  readonly loop: LoopId;
  readonly flow_Lmin: number;
  readonly head_m: number;
  readonly speed: number;
  readonly speed_rpm: number;
}

export interface LoopFlow {
  readonly id: string;
  readonly status: NetworkSolution['status'] | 'no-pump' | 'empty';
  readonly iterations: number;
  readonly residual: NetworkSolution['residual'];
  /** Largest flow anywhere in the loop: what goes round before it splits, L/min. */
  readonly flow_Lmin: number;
  /**
   * What the pumps give to each litre that goes round, kPa: heads in series add, in parallel they
   * stand side by side.
   */
  readonly head_kPa: number;
  readonly coolant_C: number;
  readonly band: FlowBand;
  /** Node pressures relative to the reservoir, kPa, heights left out. */
  readonly pressures: Readonly<Record<string, number>>;
  /**
   * The same with heights and the air on the reservoir, node by node; null while nothing is solved.
   */
  readonly profile: LoopPressures | null;
  /**
   * Parts that nothing can flow through: they hang on a dead end, or stand in a piece apart from
   * the reservoir's.
   */
  readonly idle: readonly { readonly component: ComponentId; readonly why: 'dead end' | 'apart' }[];
}

export interface FlowReport {
  readonly loops: readonly LoopFlow[];
  readonly links: readonly LinkFlow[];
  readonly pumps: readonly PumpFlow[];
}

/** Flow and pressure of every loop at the given coolant temperatures (°C by loop id). */
export function solveFlow(
  system: System,
  runs: readonly Run[],
  temperatures: ReadonlyMap<string, number>,
): FlowReport {
  const each = system.loops.map((graph) =>
    solveLoop(
      system,
      graph,
      runs,
      temperatures.get(graph.loop.id) ?? system.design.brief.room_C + 8,
    ),
  );
  return {
    loops: each.map((e) => e.loop),
    links: each.flatMap((e) => e.links),
    pumps: each.flatMap((e) => e.pumps),
  };
}

const turns = (graph: LoopGraph, settingsOf: SettingsOf): boolean =>
  graph.links.some(
    ({ law, component }) =>
      law.kind === 'pump' &&
      component !== null &&
      pumpShare(law.part, settingsOf(component).speed_rpm) > 0,
  );

interface Solved {
  readonly loop: LoopFlow;
  readonly links: readonly LinkFlow[];
  readonly pumps: readonly PumpFlow[];
}

function solveLoop(
  system: System,
  graph: LoopGraph,
  runs: readonly Run[],
  coolant_C: number,
): Solved {
  const settingsOf = settingsIn(system.design);
  const network = networkOf(system, graph, runs, coolant_C, settingsOf);
  const ready = readyNetwork(network);
  const solution = turns(graph, settingsOf) ? ready.solve() : null;
  const { loop, ...rest } = reportLoop(graph, runs, network.fluid, coolant_C, solution, settingsOf);
  return {
    ...rest,
    loop: {
      ...loop,
      profile:
        solution?.status === 'solved'
          ? loopPressures(system, graph, network.fluid, solution.pressures)
          : null,
      idle:
        graph.closed && !graph.branched
          ? []
          : idleParts(graph, network, anatomyOf(network, ready.chained)),
    },
  };
}

/** Parts none of whose ways lies in a circle with the reservoir. */
function idleParts(
  graph: LoopGraph,
  network: FlowNetwork,
  { dead, apart }: Anatomy,
): LoopFlow['idle'] {
  const away = new Set(apart.flat()),
    hung = new Set([
      ...dead,
      ...graph.links.map((e) => e.id).filter((id) => !network.links.some((l) => l.id === id)),
    ]);
  const components = [...new Set(graph.links.flatMap((l) => l.component ?? []))];
  return components.flatMap((component): LoopFlow['idle'] => {
    const own = graph.links.filter((l) => l.component === component);
    if (own.every((e) => away.has(e.id))) return [{ component, why: 'apart' }];
    return own.every((e) => hung.has(e.id)) ? [{ component, why: 'dead end' }] : [];
  });
}

/** A solved network told as links, pumps and a loop. Null: no pump turns. */
function reportLoop(
  graph: LoopGraph,
  runs: readonly Run[],
  fluid: Parameters<typeof reynolds>[2],
  coolant_C: number,
  solution: NetworkSolution | null,
  settingsOf: SettingsOf,
): Solved {
  const { loop } = graph;
  const solved = solution?.status === 'solved' ? solution : null;
  const held = new Map(runs.flatMap((r) => (r.loop === loop.id ? [[r.id, r] as const] : [])));
  const links: LinkFlow[] = [],
    pumps: PumpFlow[] = [];
  let flow = 0,
    work = 0;
  for (const link of graph.links) {
    const raw = solved?.flows.get(link.id) ?? 0;
    const q = Math.abs(raw) < 1e-9 ? 0 : raw;
    const drop = solved?.drops.get(link.id) ?? 0;
    const bore_mm = held.get(link.id)?.tube.inner_mm ?? loop.tube.inner_mm;
    const re = link.kind === 'tube' ? reynolds(q, bore_mm, fluid) : null;
    flow = Math.max(flow, Math.abs(q));
    const regimeName = () => {
      if (re === null || re === 0) return null;
      if (isBetweenRegimes(re)) return 'between laminar and turbulent';
      if (re < 3000) return 'laminar';
      return 'turbulent';
    };
    links.push({
      id: link.id,
      loop: loop.id,
      from: link.from,
      to: link.to,
      kind: link.kind,
      component: link.component,
      flow_Lmin: q,
      drop_kPa: drop,
      volume_mL: linkVolume(link, held.get(link.id)),
      reynolds: re,
      regime: regimeName(),
    });
    if (link.law.kind === 'pump' && link.component !== null) {
      const { part } = link.law,
        speed = pumpShare(part, settingsOf(link.component).speed_rpm);
      pumps.push({
        id: link.component,
        loop: loop.id,
        flow_Lmin: q,
        head_m: pressureToHead(-drop, fluid.density_kgm3),
        speed,
        speed_rpm: speed * part.fullSpeed_rpm,
      });
      work += -drop * q;
    }
  }
  return {
    links,
    pumps,
    loop: {
      id: loop.id,
      status: solution?.status ?? (graph.links.length === 0 ? 'empty' : 'no-pump'),
      iterations: solution?.iterations ?? 0,
      residual: solution?.residual ?? { energy_kPa: 0, mass_Lmin: 0 },
      flow_Lmin: flow,
      head_kPa: flow > 1e-9 ? work / flow : pumps.reduce((s, p) => s + headOf(p, links), 0),
      coolant_C,
      band: flowBand(flow),
      pressures: Object.fromEntries(solved?.pressures ?? []),
      idle: [],
      profile: null,
    },
  };
}

/** At rest, what the pumps press with. */
const headOf = (pump: PumpFlow, links: readonly LinkFlow[]): number =>
  -(links.find((l) => l.component === pump.id)?.drop_kPa ?? 0);
