import type { AirWay } from '../airflow';
import {
  airSide,
  factorNetwork,
  heatThrough,
  isFlowing,
  junctionMixes,
  only,
  readMix,
  ROOM,
  solveNetwork,
  startOf,
  type CaseNodes,
  type Conductor,
  type Flowing,
  type Mix,
  type Stream,
  type ThermalFactors,
  type ThermalNetwork,
} from '../thermal';
import type { LoopGraph } from '../system';
import { msg } from '../messages';
import type { LinkCapacity } from './capacity';

/** A part's metal on an edge, between the part and the coolant. */
export interface Body {
  readonly source: number;
  readonly share: number;
  readonly edge: number;
  readonly capacity_JK: number;
  resistance_KW: number;
}

/** A part that stands on air, with its cooler. */
export interface Cooler {
  readonly source: number;
  readonly capacity_JK: number;
  readonly resistance_KW: number;
}

/** A radiator on an edge. */
export interface Exchanger {
  readonly edge: number;
  air: AirWay;
  /** Node of the chamber it blows into or draws from. */
  readonly chamber: number;
  conductance_WK: number;
}

/**
 * A loop as it is lumped: stirred stretches, one an edge, their state the temperature each lets
 * out.
 */
export interface LumpedLoop {
  readonly graph: LoopGraph;
  readonly capacity_JK: Float64Array;
  /** The same by what holds it. */
  readonly holds: readonly LinkCapacity[];
  /** Coolant by edge, mL. */
  readonly volume_mL: Float64Array;
  /** Coolant that stands at nodes, mL. */
  readonly standing: ReadonlyMap<string, number>;
  readonly bodies: readonly Body[];
  readonly exchangers: readonly Exchanger[];
  readonly perFlow_WK: number;
  /** L/min by edge. */
  flow_Lmin: Float64Array;
  /** What pumps put in, W by edge. */
  readonly gain_W: Float64Array;
}

/** A mean as readings with the coolant each stands for, mL. */
interface MeanReads {
  readonly reads: readonly (readonly [Mix, number])[];
  readonly volume_mL: number;
}

const flowsOf = ({ graph, flow_Lmin }: LumpedLoop): readonly Flowing[] =>
  graph.links.map((e, k) => ({ from: e.from, to: e.to, flow_Lmin: flow_Lmin[k] as number }));

/** A chord of conductance this small is not worth factoring anew for. */
const SAME = 1e-3;

/**
 * Where things stand in the network: the chambers of the case first, their walls, then each loop's edges and its parts'
 * metal, then the coolers.
 */
interface Places {
  readonly edge: readonly number[];
  readonly body: readonly number[];
  readonly cooler: number;
  readonly count: number;
}
/** The main chamber: parts on air stand in it. */
const MAIN = 0;

/** Chambers of the case: what each gives through its walls, W/K, and what these hold, J/K. */
export interface Chambers {
  readonly count: number;
  readonly walls_WK: number;
  readonly walls_JK: number;
}

/** Walls stand behind their chambers; without walls there are none. */
const wallsIn = ({ count, walls_WK }: Chambers): number => (walls_WK > 0 ? count : 0);

function placesOf(loops: readonly LumpedLoop[], coolers: number, chambers: Chambers): Places {
  const edge: number[] = [];
  const body: number[] = [];
  let next = chambers.count + wallsIn(chambers);
  for (const l of loops) {
    edge.push(next);
    body.push(next + l.capacity_JK.length);
    next += l.capacity_JK.length + l.bodies.length;
  }
  return { edge, body, cooler: next, count: next + coolers };
}

/**
 * Temperatures of loops, metal, coolers and case air, moved on step by step on the one thermal
 * network.
 */
export class ThermalState {
  private readonly temp_C: Float64Array;
  private readonly source_W: Float64Array;
  private readonly at: Places;
  private network: ThermalNetwork | null = null;
  private reads: readonly MeanReads[] | null = null;
  private factors: ThermalFactors | null = null;
  private step_s = NaN;
  private heldAir: CaseNodes | null = null;
  private held: Float64Array = new Float64Array(0);

  constructor(
    private readonly loops: readonly LumpedLoop[],
    private readonly coolers: readonly Cooler[],
    private readonly chambers: Chambers,
    private room_C: number,
  ) {
    this.at = placesOf(loops, coolers.length, chambers);
    this.temp_C = new Float64Array(this.at.count).fill(room_C);
    this.source_W = new Float64Array(this.at.count);
  }

  /** Flows or resistances are others: the network is made anew at the next step. */
  changed(): void {
    this.network = null;
    this.reads = null;
  }

  /** One step under the parts' heats, W by source. Gives the heat that left for the room, W. */
  step(heat_W: Float64Array, air: CaseNodes, room_C: number, step_s: number): number {
    this.room_C = room_C;
    if (!this.network || step_s !== this.step_s || this.drifted(air)) {
      this.network = this.assemble(air);
      this.factors = factorNetwork(this.network, step_s);
      this.held = this.conductances(air);
      this.heldAir = air;
      this.step_s = step_s;
    }
    if (!this.factors) throw new RangeError(msg`the loops' balance has no answer`);
    this.setSources(heat_W);
    solveNetwork(this.factors, this.source_W, room_C, this.temp_C);
    return this.leaving(this.network);
  }

  get caseAir_C(): number {
    return this.temp_C[MAIN] as number;
  }

  /** Metal of a loop's body, °C. */
  bodyAt(loop: number, body: number): number {
    return this.temp_C[(this.at.body[loop] as number) + body] as number;
  }

  /** What a cooler gives to the case air, W. */
  coolerHeat(cooler: number): number {
    const { resistance_KW } = this.coolers[cooler] as Cooler;
    return ((this.temp_C[this.at.cooler + cooler] as number) - this.caseAir_C) / resistance_KW;
  }

  /** Mean of a loop's coolant by volume, °C, as the steady state tells it. */
  meanOf(loop: number): number {
    const { reads, volume_mL } = (this.reads ??= this.loops.map((l, i) => this.readsOf(l, i)))[
      loop
    ] as MeanReads;
    let heat = 0;
    for (const [mix, held] of reads) heat += held * readMix(mix, this.temp_C, this.room_C);
    return heat / volume_mL;
  }

  /** Where the mean of a loop is read, and how much coolant each reading stands for. */
  private readsOf(l: LumpedLoop, index: number): MeanReads {
    const first = this.at.edge[index] as number;
    const flows = flowsOf(l);
    const moving = flows.some(isFlowing);
    const mixes = junctionMixes(flows, first);
    const reads: (readonly [Mix, number])[] = [];
    flows.forEach((f, k) => {
      const inlet = isFlowing(f) ? mixes.get(startOf(f)) : undefined;
      const held = l.volume_mL[k] as number;
      if (inlet) reads.push([meanWithin(inlet, first + k), held]);
      else if (!moving) reads.push([only(first + k), held]);
    });
    for (const [node, held] of l.standing) {
      const leaving = l.graph.links.findIndex((e) => e.from === node);
      const mix = mixes.get(node) ?? (!moving && leaving >= 0 ? only(first + leaving) : undefined);
      if (mix) reads.push([mix, held]);
    }
    const volume_mL = reads.reduce((sum, [, held]) => sum + held, 0);
    if (volume_mL > 0) return { reads, volume_mL };
    return { reads: flows.map((_f, k) => [only(first + k), 1] as const), volume_mL: flows.length };
  }

  /** Hottest of a loop's coolant, °C. */
  hottestOf(loop: number): number {
    let most = -Infinity;
    for (const t of this.coolantOf(loop)) most = Math.max(most, t);
    return most;
  }

  /** Energy held over 0 °C, J. */
  stored(): number {
    const capacity_JK = this.capacities();
    return this.temp_C.reduce((sum, t, i) => sum + t * (capacity_JK[i] as number), 0);
  }

  private coolantOf(loop: number): Float64Array {
    const first = this.at.edge[loop] as number;
    return this.temp_C.subarray(first, first + (this.loops[loop] as LumpedLoop).capacity_JK.length);
  }

  private capacities(): Float64Array {
    const all = new Float64Array(this.at.count);
    const { count, walls_JK } = this.chambers;
    all.fill(walls_JK, count, count + wallsIn(this.chambers));
    this.loops.forEach((l, i) => {
      all.set(l.capacity_JK, this.at.edge[i]);
      all.set(
        l.bodies.map((b) => b.capacity_JK),
        this.at.body[i],
      );
    });
    all.set(
      this.coolers.map((c) => c.capacity_JK),
      this.at.cooler,
    );
    return all;
  }

  private setSources(heat_W: Float64Array): void {
    const { source_W, at } = this;
    this.loops.forEach((l, i) => {
      source_W.set(l.gain_W, at.edge[i]);
      l.bodies.forEach((b, k) => {
        source_W[(at.body[i] as number) + k] = (heat_W[b.source] as number) * b.share;
      });
    });
    this.coolers.forEach((c, k) => {
      source_W[at.cooler + k] = heat_W[c.source] as number;
    });
  }

  /** What the room takes: with the air that leaves the case, through its walls, and from radiators that blow out. */
  private leaving({ streams, conductors }: ThermalNetwork): number {
    let out_W = 0;
    for (const { capacity_WK, from, to } of streams)
      if (to < this.chambers.count)
        out_W +=
          capacity_WK * ((this.temp_C[to] as number) - readMix(from, this.temp_C, this.room_C));
    for (const c of conductors)
      if (c.into === ROOM) out_W += heatThrough(c, this.temp_C, this.room_C);
    return out_W;
  }

  private conductances(air: CaseNodes): Float64Array {
    return Float64Array.from([
      ...air.streams.map((s) => s.capacity_WK),
      ...this.loops.flatMap((l) => l.exchangers.map((x) => x.conductance_WK)),
    ]);
  }

  private drifted(air: CaseNodes): boolean {
    if (air !== this.heldAir && !sameWays(air, this.heldAir)) return true;
    const drift = (now: number, i: number): boolean =>
      Math.abs(now - (this.held[i] as number)) > SAME * Math.max(now, 1e-9);
    let i = -1;
    for (const { capacity_WK } of air.streams) {
      i += 1;
      if (drift(capacity_WK, i)) return true;
    }
    for (const l of this.loops)
      for (const x of l.exchangers) {
        i += 1;
        if (drift(x.conductance_WK, i)) return true;
      }
    return false;
  }

  private assemble(air: CaseNodes): ThermalNetwork {
    const streams: Stream[] = [...air.streams];
    const conductors: Conductor[] = [];
    conductors.push(...this.throughWalls());
    this.loops.forEach((loop, i) => this.assembleLoop(loop, i, streams, conductors));
    this.coolers.forEach((c, k) => {
      const node = this.at.cooler + k;
      conductors.push(between(node, MAIN, only(MAIN), c.resistance_KW));
    });
    return { capacity_JK: this.capacities(), streams, conductors };
  }

  /** From each chamber into its wall and on to the room: half the resistance on either side. */
  private throughWalls(): readonly Conductor[] {
    const { count, walls_WK } = this.chambers;
    return Array.from({ length: wallsIn(this.chambers) }, (_, chamber) => {
      const wall = count + chamber,
        half_KW = 1 / (2 * walls_WK);
      return [
        between(chamber, wall, only(wall), half_KW),
        between(wall, ROOM, only(ROOM), half_KW),
      ];
    }).flat();
  }

  private assembleLoop(
    loop: LumpedLoop,
    index: number,
    streams: Stream[],
    conductors: Conductor[],
  ): void {
    const first = this.at.edge[index] as number;
    const flows = flowsOf(loop);
    const mixes = junctionMixes(flows, first);
    // Without a stream the coolant within is one temperature, its own.
    const inlets = flows.map((f, k) => (isFlowing(f) && mixes.get(startOf(f))) || only(first + k));
    flows.forEach((f, k) => {
      if (isFlowing(f) && mixes.has(startOf(f)))
        streams.push({
          capacity_WK: Math.abs(f.flow_Lmin) * loop.perFlow_WK,
          from: inlets[k] as Mix,
          to: first + k,
        });
    });
    for (const x of loop.exchangers)
      conductors.push({
        conductance_WK: x.conductance_WK,
        hot: inlets[x.edge] as Mix,
        from: first + x.edge,
        ...airSide(x.air, x.chamber),
      });
    loop.bodies.forEach((b, k) => {
      const node = (this.at.body[index] as number) + k;
      const edge = first + b.edge;
      conductors.push(
        between(node, edge, meanWithin(inlets[b.edge] as Mix, edge), b.resistance_KW),
      );
    });
  }
}

/** Whether air goes between the same nodes, however much. */
const sameWays = (a: CaseNodes, b: CaseNodes | null): boolean =>
  a.streams.length === b?.streams.length &&
  a.streams.every((s, i) => {
    const other = b.streams[i] as Stream;
    return s.to === other.to && s.from.nodes[0] === other.from.nodes[0];
  });

/** Heat from a node of its own temperature to one whose temperature is read from a mix. */
const between = (from: number, into: number, cold: Mix, resistance_KW: number): Conductor => ({
  conductance_WK: 1 / resistance_KW,
  hot: only(from),
  cold,
  from,
  into,
});

/** The mean of what enters a stretch and what leaves it. */
const meanWithin = (inlet: Mix, outlet: number): Mix => ({
  nodes: [...inlet.nodes, outlet],
  shares: [...inlet.shares.map((s) => s / 2), 1 / 2],
});
