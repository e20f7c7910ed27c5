import type { AirWay } from '../airflow';
import { type LoopId } from '../design';
import type { FlowReport } from '../hydraulics';
import { coolantProperties, type FluidProperties } from '../fluids';
import type { LoopGraph } from '../system';
import { LMIN_TO_M3S } from '../units';
import { airSide } from './caseAir';
import {
  endOf,
  factorNetwork,
  isFlowing,
  only,
  junctionMixes,
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
  /** Mean of the loop's coolant by volume: in links, parts and reservoirs, °C. */
  readonly mean_C: number;
  /** Coolant entering and leaving a link, °C; undefined where nothing flows. */
  link(id: string): { readonly in_C: number; readonly out_C: number } | undefined;
}

/** The streams of a loop that move. */
export interface LoopStreams {
  readonly loop: LoopId;
  readonly flows: readonly (Flowing & { readonly id: string; readonly volume_mL: number })[];
  /** Coolant that stands at nodes, mL. */
  readonly standing: ReadonlyMap<string, number>;
  readonly fluid: FluidProperties;
  /** Heat a stream carries, W/K to the L/min. */
  readonly perFlow_WK: number;
  /** Whether something flows to the start of every stream. */
  readonly complete: boolean;
}

export function loopStreams(
  graph: LoopGraph,
  standing: ReadonlyMap<string, number>,
  flow: FlowReport,
  coolant_C: number,
): LoopStreams {
  const fluid = coolantProperties(graph.loop.coolant.base, coolant_C);
  const flows = flow.links.filter((l) => l.loop === graph.loop.id && isFlowing(l));
  const ends = new Set(flows.map(endOf));
  return {
    loop: graph.loop.id,
    flows,
    standing,
    fluid,
    complete: flows.every((f) => ends.has(startOf(f))),
    perFlow_WK: LMIN_TO_M3S * fluid.density_kgm3 * fluid.heatCapacity_JkgK,
  };
}

/** A radiator as the balance sees it: where the coolant passes it, and whose air it breathes. */
export interface Exchanger {
  readonly loop: LoopId;
  readonly edge: string;
  readonly conductance_WK: number;
  /** `in`: room air, which then warms the case; `out`: case air, which then leaves. */
  readonly air: AirWay;
  /** Node of the chamber. */
  readonly chamber: number;
}

/** A loop within the network: node `first` is what its first stream lets out. */
interface LoopNodes {
  readonly streams: LoopStreams;
  readonly first: number;
  /** Junctions, and what is read at each. */
  readonly junctions: readonly string[];
  readonly mixes: readonly Mix[];
  /** What enters each stream. */
  readonly inlets: readonly Mix[];
  /** Stream by the id of its edge. */
  readonly indexOf: ReadonlyMap<string, number>;
}

/** Chambers of the case, and what flows into them. They are the first nodes. */
export interface CaseNodes {
  readonly count: number;
  readonly streams: readonly Stream[];
  /** What each gives to the room through its walls, W/K. */
  readonly walls_WK: number;
}

/** Nodes and streams of loops: they stay while the flow does. */
interface Topology {
  readonly loops: ReadonlyMap<string, LoopNodes>;
  readonly carried: readonly Stream[];
  readonly nodes: number;
  readonly chambers: number;
}

/** Loops that have a steady state, and the case air, in one balance. */
export interface SteadyNetwork {
  readonly network: ThermalNetwork;
  readonly factors: ThermalFactors;
  readonly loops: ReadonlyMap<string, LoopNodes>;
  readonly chambers: number;
}

/** The main chamber: parts on air stand in it. */
const MAIN = 0;

/** A loop in which nothing flows or no radiator works has no steady state and is left out. */
export function steadyNetwork(
  streams: readonly LoopStreams[],
  exchangers: readonly Exchanger[],
  air: CaseNodes,
): SteadyNetwork {
  const possible = streams.filter((s) => canSettle(s, exchangers));
  const all = possible.length === streams.length ? streams : possible;
  const whole = assemble(topologyOf(all, air.count), exchangers, air);
  if (whole) return whole;
  // Some part of a loop goes round apart from its radiators: that loop is left out.
  const settling = possible.filter(
    (s) => assemble(layNodes([s], air.count), exchangers, air) !== null,
  );
  return assemble(layNodes(settling, air.count), exchangers, air) as SteadyNetwork;
}

function canSettle({ loop, flows, complete }: LoopStreams, exchangers: readonly Exchanger[]) {
  const cools = (id: string): boolean =>
    exchangers.some((x) => x.loop === loop && x.edge === id && x.conductance_WK > 0);
  return complete && flows.some((f) => cools(f.id));
}

const topologies = new WeakMap<readonly LoopStreams[], Topology>();
function topologyOf(streams: readonly LoopStreams[], chambers: number): Topology {
  let known = topologies.get(streams);
  if (known?.chambers !== chambers) {
    known = layNodes(streams, chambers);
    topologies.set(streams, known);
  }
  return known;
}

function layNodes(streams: readonly LoopStreams[], chambers: number): Topology {
  const loops = new Map<string, LoopNodes>();
  const carried: Stream[] = [];
  let nodes = chambers;
  for (const s of streams) {
    const first = nodes;
    const arriving = junctionMixes(s.flows, first);
    const at = (junction: string): Mix => arriving.get(junction) as Mix;
    const inlets = s.flows.map((f) => at(startOf(f)));
    const junctions = [...new Set(s.flows.flatMap((f) => [startOf(f), endOf(f)]))];
    const indexOf = new Map(s.flows.map((f, i) => [f.id, i]));
    loops.set(s.loop, { streams: s, first, junctions, mixes: junctions.map(at), inlets, indexOf });
    s.flows.forEach((f, i) => {
      const capacity_WK = Math.abs(f.flow_Lmin) * s.perFlow_WK;
      carried.push({ capacity_WK, from: inlets[i] as Mix, to: first + i });
    });
    nodes += s.flows.length;
  }
  return { loops, carried, nodes, chambers };
}

function assemble(
  { loops, carried, nodes, chambers }: Topology,
  exchangers: readonly Exchanger[],
  air: CaseNodes,
): SteadyNetwork | null {
  const conductors = exchangers.flatMap((x): Conductor[] => {
    const loop = loops.get(x.loop);
    const index = loop?.indexOf.get(x.edge);
    if (!loop || index === undefined) return [];
    return [
      {
        conductance_WK: x.conductance_WK,
        hot: loop.inlets[index] as Mix,
        from: loop.first + index,
        ...airSide(x.air, x.chamber),
      },
    ];
  });
  const network: ThermalNetwork = {
    capacity_JK: new Float64Array(nodes),
    streams: [...air.streams, ...wallStreams(air), ...carried],
    conductors,
  };
  const factors = factorNetwork(network);
  return factors && { network, factors, loops, chambers };
}

const wallStreams = ({ count, walls_WK }: CaseNodes): readonly Stream[] =>
  walls_WK > 0
    ? Array.from({ length: count }, (_, to) => ({ capacity_WK: walls_WK, from: only(ROOM), to }))
    : [];

/** The steady state under heats put into the edges of loops, by id, and into the case air, W. */
export function solveSteady(
  { network, factors, loops, chambers }: SteadyNetwork,
  gain_W: ReadonlyMap<string, number>,
  onAir_W: number,
  room_C: number,
): {
  readonly chambers_C: readonly number[];
  readonly loops: ReadonlyMap<string, LoopTemperatures>;
} {
  const source_W = new Float64Array(network.capacity_JK.length);
  source_W[MAIN] = onAir_W;
  for (const { first, indexOf } of loops.values())
    for (const [edge, index] of indexOf) source_W[first + index] = gain_W.get(edge) ?? 0;
  const temp_C = solveNetwork(factors, source_W, room_C, new Float64Array(source_W.length));
  return {
    chambers_C: [...temp_C.subarray(0, chambers)],
    loops: new Map([...loops].map(([id, nodes]) => [id, readLoop(nodes, temp_C, room_C)])),
  };
}

function readLoop(loop: LoopNodes, temp_C: Float64Array, room_C: number): LoopTemperatures {
  const values_C = new Float64Array(loop.mixes.length);
  for (let i = 0; i < values_C.length; i += 1)
    values_C[i] = readMix(loop.mixes[i] as Mix, temp_C, room_C);
  return {
    nodes: loop.junctions,
    values_C,
    mean_C: meanByVolume(loop, temp_C, values_C, room_C),
    link: (id) => {
      const index = loop.indexOf.get(id);
      if (index === undefined) return undefined;
      return {
        in_C: readMix(loop.inlets[index] as Mix, temp_C, room_C),
        out_C: temp_C[loop.first + index] as number,
      };
    },
  };
}

/**
 * Mean by volume, °C: each stream's coolant at the mean of what enters and leaves it, what stands
 * at a node at that node's. Where no volume is known, each node counts alike.
 */
function meanByVolume(
  { streams: { flows, standing }, first, inlets, junctions }: LoopNodes,
  temp_C: Float64Array,
  values_C: Float64Array,
  room_C: number,
): number {
  let heat = 0,
    volume_mL = 0;
  for (let i = 0; i < flows.length; i += 1) {
    const held = (flows[i] as LoopStreams['flows'][number]).volume_mL;
    const in_C = readMix(inlets[i] as Mix, temp_C, room_C);
    heat += (held * (in_C + (temp_C[first + i] as number))) / 2;
    volume_mL += held;
  }
  for (let k = 0; k < junctions.length; k += 1) {
    const held = standing.get(junctions[k] as string) ?? 0;
    heat += held * (values_C[k] as number);
    volume_mL += held;
  }
  return volume_mL > 0
    ? heat / volume_mL
    : values_C.reduce((sum, t) => sum + t, 0) / values_C.length;
}
