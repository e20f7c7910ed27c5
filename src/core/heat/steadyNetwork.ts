import type { FlowReport } from '../flow';
import { coolantProperties } from '../fluid';
import type { LoopGraph } from '../model';
import { LMIN_TO_M3S } from '../quantity';
import {
  endOf,
  factorNetwork,
  isFlowing,
  junctionMixes,
  only,
  readMix,
  ROOM,
  solveNetwork,
  startOf,
  type Conductor,
  type Flowing,
  type Mix,
  type Stream,
  type ThermalFactors,
  type ThermalNetwork,
} from './network';

/** A loop's solution. */
export interface LoopTemperatures {
  readonly nodes: readonly string[];
  /** Coolant at each node, °C, in the order of `nodes`. */
  readonly values_C: Float64Array;
  /** Coolant entering and leaving a link, °C; undefined where nothing flows. */
  link(id: string): { readonly in_C: number; readonly out_C: number } | undefined;
}

/** The streams of a loop that move. */
export interface LoopStreams {
  readonly loop: string;
  readonly flows: readonly (Flowing & { readonly id: string })[];
  /** Heat a stream carries, W/K to the L/min. */
  readonly perFlow_WK: number;
}

export function loopStreams(graph: LoopGraph, flow: FlowReport, coolant_C: number): LoopStreams {
  const fluid = coolantProperties(graph.loop.coolant.base, coolant_C);
  return {
    loop: graph.loop.id,
    flows: flow.links.filter((l) => l.loop === graph.loop.id && isFlowing(l)),
    perFlow_WK: LMIN_TO_M3S * fluid.density_kgm3 * fluid.heatCapacity_JkgK,
  };
}

/** A radiator as the balance sees it: where the coolant passes it, and whose air it breathes. */
export interface Exchanger {
  readonly loop: string;
  readonly edge: string;
  readonly conductance_WK: number;
  /** `in`: room air, which then warms the case; `out`: case air, which then leaves. */
  readonly air: 'in' | 'out';
}

/** A loop within the network: node `first` is what its first stream lets out. */
interface LoopNodes {
  readonly streams: LoopStreams;
  readonly first: number;
  readonly mixes: ReadonlyMap<string, Mix>;
  /** Node by the id of its edge. */
  readonly nodeOf: ReadonlyMap<string, number>;
}

/** Loops that have a steady state, and the case air, in one balance: node 0 is the case air. */
export interface SteadyNetwork {
  readonly network: ThermalNetwork;
  readonly factors: ThermalFactors;
  readonly loops: ReadonlyMap<string, LoopNodes>;
}

const CASE_AIR = 0;

/** `exchange_WK`: what the case air gives to the room per kelvin. A loop in which nothing flows or no radiator works has no steady state and is left out. */
export function steadyNetwork(
  streams: readonly LoopStreams[],
  exchangers: readonly Exchanger[],
  exchange_WK: number,
): SteadyNetwork {
  const possible = streams.filter((s) => canSettle(s, exchangers));
  const whole = assemble(possible, exchangers, exchange_WK);
  if (whole) return whole;
  // Some part of a loop goes round apart from its radiators: that loop is left out.
  const settling = possible.filter((s) => assemble([s], exchangers, exchange_WK) !== null);
  return assemble(settling, exchangers, exchange_WK) as SteadyNetwork;
}

function canSettle({ loop, flows }: LoopStreams, exchangers: readonly Exchanger[]): boolean {
  const ends = new Set(flows.map(endOf));
  const cooled = new Set(
    exchangers.filter((x) => x.loop === loop && x.conductance_WK > 0).map((x) => x.edge),
  );
  return flows.some((f) => cooled.has(f.id)) && flows.every((f) => ends.has(startOf(f)));
}

function assemble(
  streams: readonly LoopStreams[],
  exchangers: readonly Exchanger[],
  exchange_WK: number,
): SteadyNetwork | null {
  const loops = new Map<string, LoopNodes>();
  const carried: Stream[] = [{ capacity_WK: exchange_WK, from: only(ROOM), to: CASE_AIR }];
  let nodes = CASE_AIR + 1;
  for (const s of streams) {
    const mixes = junctionMixes(s.flows, nodes);
    const nodeOf = new Map(s.flows.map((f, i) => [f.id, nodes + i]));
    loops.set(s.loop, { streams: s, first: nodes, mixes, nodeOf });
    for (const [i, f] of s.flows.entries())
      carried.push({
        capacity_WK: Math.abs(f.flow_Lmin) * s.perFlow_WK,
        from: mixes.get(startOf(f)) as Mix,
        to: nodes + i,
      });
    nodes += s.flows.length;
  }
  const conductors = exchangers.flatMap((x): Conductor[] => {
    const loop = loops.get(x.loop);
    const node = loop?.nodeOf.get(x.edge);
    const flow = loop?.streams.flows.find((f) => f.id === x.edge);
    if (!loop || node === undefined || !flow) return [];
    return [
      {
        conductance_WK: x.conductance_WK,
        hot: loop.mixes.get(startOf(flow)) as Mix,
        from: node,
        ...airSide(x.air, CASE_AIR),
      },
    ];
  });
  const network = { capacity_JK: new Float64Array(nodes), streams: carried, conductors };
  const factors = factorNetwork(network);
  return factors && { network, factors, loops };
}

/** A radiator that draws room air in warms the case; one that blows case air out warms nothing. */
export const airSide = (air: 'in' | 'out', caseAir: number): Pick<Conductor, 'cold' | 'into'> =>
  air === 'in' ? { cold: only(ROOM), into: caseAir } : { cold: only(caseAir), into: ROOM };

/** The steady state under heats put into the edges of loops, by id, and into the case air, W. */
export function solveSteady(
  { network, factors, loops }: SteadyNetwork,
  gain_W: ReadonlyMap<string, number>,
  onAir_W: number,
  room_C: number,
): {
  readonly caseAir_C: number;
  readonly loops: ReadonlyMap<string, LoopTemperatures>;
} {
  const source_W = new Float64Array(network.capacity_JK.length);
  source_W[CASE_AIR] = onAir_W;
  for (const { nodeOf } of loops.values())
    for (const [edge, node] of nodeOf) source_W[node] = gain_W.get(edge) ?? 0;
  const temp_C = solveNetwork(factors, source_W, room_C, new Float64Array(source_W.length));
  return {
    caseAir_C: temp_C[CASE_AIR] as number,
    loops: new Map([...loops].map(([id, nodes]) => [id, readLoop(nodes, temp_C, room_C)])),
  };
}

function readLoop(loop: LoopNodes, temp_C: Float64Array, room_C: number): LoopTemperatures {
  const { flows } = loop.streams;
  const nodes = [...new Set(flows.flatMap((f) => [startOf(f), endOf(f)]))];
  const at = (node: string): number => readMix(loop.mixes.get(node) as Mix, temp_C, room_C);
  return {
    nodes,
    values_C: Float64Array.from(nodes, at),
    link: (id) => {
      const node = loop.nodeOf.get(id);
      if (node === undefined) return undefined;
      const flow = flows[node - loop.first] as Flowing;
      return { in_C: at(startOf(flow)), out_C: temp_C[node] as number };
    },
  };
}
