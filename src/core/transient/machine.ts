import { air, type FluidProperties } from '../fluids';
import type { FlowReport } from '../hydraulics';
import {
  caseFanPoint,
  blockAt,
  caseExchange,
  noiseOf,
  pumpHeat,
  type ThermalModel,
} from '../thermal';
import type { LoopGraph } from '../system';
import type { PumpPart } from '../components';
import { linkVolume, standingVolumes, type Run } from '../tubing';
import { airCoolerCapacity, blockCapacity, linkCapacity } from './capacity';
import { drivesOf, type Drive } from './drives';
import { coolantOf, LoopFlows, onPumpGrid, RadiatorFigures } from './plant';
import { ThermalState, type Body, type Cooler, type Exchanger, type LumpedLoop } from './state';

/** An air cooler that no part's papers tell of, K/W (common practice, no source). */
const COOLER_KW = 0.3;

interface Pump {
  readonly edge: number;
  readonly drive: Drive;
  readonly part: PumpPart;
  /** Speed its flow was last solved for, rpm. */
  at: number;
}

interface Radiator {
  /** Among the setup's radiators. */
  readonly index: number;
  readonly exchanger: Exchanger;
  readonly fans: readonly Drive[];
  readonly speeds: Float64Array;
  readonly figures: RadiatorFigures;
}

/** A loop with what drives and cools it. */
interface PlantLoop {
  readonly flows: LoopFlows;
  readonly lumped: LumpedLoop;
  readonly pumps: readonly Pump[];
  readonly radiators: readonly Radiator[];
  /** Share of the flow lost that its flow was last solved for. */
  sag: number;
}

/** The machine as it runs: speeds in, flows, conductances and temperatures out. */
export class Machine {
  readonly drives: readonly Drive[];
  readonly loops: readonly PlantLoop[];
  readonly coolers: readonly Cooler[];
  readonly state: ThermalState;
  room_C: number;
  /** Share of every flow that is lost. */
  sag = 0;
  private readonly byComponent: ReadonlyMap<string, Drive>;
  private readonly roomAir: FluidProperties;
  private readonly moved_m3h: Float64Array;
  private exchange_WK = 0;
  private bare = { key: '', in: 0, out: 0 };

  constructor(
    private readonly thermalModel: ThermalModel,
    private readonly flow: FlowReport,
    private readonly runs: readonly Run[],
  ) {
    const { brief } = thermalModel.system.design;
    this.room_C = brief.room_C;
    this.roomAir = air(brief.room_C + 3, brief.altitude_m);
    this.drives = drivesOf(thermalModel);
    this.byComponent = new Map(this.drives.map((d) => [d.component.id, d]));
    this.moved_m3h = new Float64Array(thermalModel.radiators.length);
    this.loops = thermalModel.system.loops.map((graph) => this.loopOf(graph));
    this.coolers = thermalModel.sources.flatMap((s, source): Cooler[] =>
      s.block
        ? []
        : [
            {
              source,
              capacity_JK: airCoolerCapacity(s),
              resistance_KW: s.part.hotSpots[0]?.onAir_KW ?? COOLER_KW,
            },
          ],
    );
    this.state = new ThermalState(
      this.loops.map((l) => l.lumped),
      this.coolers,
      brief.room_C,
    );
    this.adjust();
  }

  /** Flows, conductances and air as speeds now are. */
  adjust(): void {
    for (const loop of this.loops) {
      if (this.setPumps(loop)) this.setFlows(loop);
      this.setRadiators(loop);
    }
    this.exchange_WK = this.exchange();
  }

  /** One step; the heat that left for the room, W. */
  advance(heat_W: Float64Array, step_s: number): number {
    return this.state.step(heat_W, this.exchange_WK, this.room_C, step_s);
  }

  /** Warmest loop's mean coolant, the brief's room when there is none, °C. */
  warmestLoop(): number {
    let most = this.thermalModel.system.design.brief.room_C;
    for (let k = 0; k < this.loops.length; k += 1) most = Math.max(most, this.state.meanOf(k));
    return most;
  }

  /** What pumps put into their loops, W. */
  pumpHeat(): number {
    let sum = 0;
    for (const { lumped } of this.loops) for (const gain of lumped.gain_W) sum += gain;
    return sum;
  }

  noise(): number {
    return noiseOf(this.thermalModel, (component) => this.driveOf(component).now);
  }

  private driveOf(component: string): Drive {
    return this.byComponent.get(component) as Drive;
  }

  private loopOf(graph: LoopGraph): PlantLoop {
    const { thermalModel, runs } = this;
    const { brief } = thermalModel.system.design;
    const coolant_C = coolantOf(this.flow, graph.loop.id, brief.room_C + 8);
    const flows = new LoopFlows(thermalModel, graph, runs, coolant_C);
    const standing = standingVolumes(thermalModel.system, graph);
    const volume_mL = Float64Array.from(graph.links, (e) =>
      linkVolume(
        e,
        runs.find((r) => r.id === e.id && r.loop === graph.loop.id),
      ),
    );
    const radiators = this.radiatorsOf(graph, flows.fluid);
    const edges = graph.links.length;
    return {
      flows,
      radiators,
      lumped: {
        graph,
        capacity_JK: Float64Array.from(graph.links, (e, k) =>
          linkCapacity(
            e,
            graph,
            volume_mL[k] as number,
            thermalModel.radiators,
            flows.fluid,
            standing,
          ),
        ),
        volume_mL,
        standing,
        bodies: this.bodiesOf(graph, flows.fluid),
        exchangers: radiators.map((r) => r.exchanger),
        perFlow_WK: flows.perFlow_WK,
        flow_Lmin: new Float64Array(edges),
        gain_W: new Float64Array(edges),
      },
      pumps: graph.links.flatMap((e, edge): Pump[] =>
        e.law.kind === 'pump' && e.component !== null
          ? [{ edge, drive: this.driveOf(e.component), part: e.law.part, at: NaN }]
          : [],
      ),
      sag: NaN,
    };
  }

  private radiatorsOf(graph: LoopGraph, coolant: FluidProperties): readonly Radiator[] {
    return this.thermalModel.radiators.flatMap((r, index): Radiator[] => {
      const edge = graph.links.findIndex((e) => e.component === r.id);
      if (r.loop !== graph.loop.id || edge < 0) return [];
      return [
        {
          index,
          exchanger: { edge, air: r.air, conductance_WK: 0 },
          fans: r.fans.map((f) => this.driveOf(f.component)),
          speeds: new Float64Array(r.fans.length),
          figures: new RadiatorFigures(this.thermalModel, index, coolant, this.roomAir),
        },
      ];
    });
  }

  /**
   * Parts under blocks in this loop: the metal between them and the coolant, split over the block's
   * passages and parts.
   */
  private bodiesOf(graph: LoopGraph, fluid: FluidProperties): readonly Body[] {
    const { sources } = this.thermalModel;
    return sources.flatMap((s, source): Body[] => {
      if (s.block?.part.kind !== 'block' || s.loop !== graph.loop.id) return [];
      const { id, part } = s.block;
      const edges = graph.links.flatMap((e, k) => (e.component === id ? [k] : []));
      const sharing = sources.filter((x) => x.block?.id === id).length;
      return edges.map((edge) => ({
        source,
        share: 1 / edges.length,
        edge,
        capacity_JK: blockCapacity(part) / sharing / edges.length,
        resistance_KW: edges.length * blockAt(part, 1, fluid),
      }));
    });
  }

  /** Whether a loop's flow is another than it was solved for. */
  private setPumps(loop: PlantLoop): boolean {
    let moved = loop.sag !== this.sag;
    for (const p of loop.pumps) {
      const at = onPumpGrid(p.drive.now, p.drive.set_rpm);
      if (at !== p.at) moved = true;
      p.at = at;
      loop.lumped.gain_W[p.edge] = pumpHeat(p.part, p.drive.now);
    }
    return moved;
  }

  private setFlows(loop: PlantLoop): void {
    const { lumped } = loop;
    loop.sag = this.sag;
    lumped.flow_Lmin = loop.flows
      .at(new Map(loop.pumps.map((p) => [p.drive.component.id, p.at])))
      .map((q) => q * (1 - this.sag));
    for (const b of lumped.bodies) {
      const { block } = this.thermalModel.sources[b.source] as ThermalModel['sources'][number];
      if (block?.part.kind === 'block')
        b.resistance_KW =
          blockAt(block.part, lumped.flow_Lmin[b.edge] as number, loop.flows.fluid) / b.share;
    }
    this.state.changed();
  }

  private setRadiators({ radiators, lumped }: PlantLoop): void {
    for (const r of radiators) {
      for (let i = 0; i < r.fans.length; i += 1) r.speeds[i] = (r.fans[i] as Drive).now;
      const through = Math.abs(lumped.flow_Lmin[r.exchanger.edge] as number);
      const { k, air_m3h } = r.figures.at(r.speeds, through);
      r.exchanger.conductance_WK = k;
      this.moved_m3h[r.index] = air_m3h;
    }
  }

  /** What the case air gives to the room, W/K. */
  private exchange(): number {
    this.setBareFans();
    let inward = this.bare.in;
    let outward = this.bare.out;
    this.thermalModel.radiators.forEach((r, i) => {
      if (r.air === 'in') inward += this.moved_m3h[i] as number;
      else outward += this.moved_m3h[i] as number;
    });
    return caseExchange(this.thermalModel, this.roomAir, Math.max(inward, outward));
  }

  private setBareFans(): void {
    const { caseFans: bare, factors } = this.thermalModel;
    const key = bare.map((b) => Math.round(this.driveOf(b.set.component).now)).join();
    if (key === this.bare.key) return;
    const next = { key, in: 0, out: 0 };
    for (const b of bare) {
      const set = { ...b.set, speed_rpm: this.driveOf(b.set.component).now };
      next[b.air] += factors.airFlow * caseFanPoint({ ...b, set }).flow_m3h;
    }
    this.bare = next;
  }
}
