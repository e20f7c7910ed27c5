import type { FanOperatingPoint } from '../airflow';
import { air, type FluidProperties } from '../fluids';
import type { FlowReport } from '../hydraulics';
import {
  airStreams,
  blockAt,
  chamberNode,
  chamberNodes,
  noiseOf,
  pumpHeat,
  stateOf,
  wallConductance,
  wayOf,
  type CaseNodes,
  type ThermalModel,
} from '../thermal';
import type { LoopGraph } from '../system';
import type { PumpPart } from '../components';
import { linkVolume, standingVolumes, type Run } from '../tubing';
import { msg } from '../messages';
import {
  airCoolerCapacity,
  blockCapacity,
  caseCapacity,
  linkCapacity,
  vesselCapacities,
  type LinkCapacity,
} from './capacity';
import { drivesOf, type Drive } from './drives';
import {
  airBetween,
  AirFigures,
  coolantOf,
  fanSets,
  LoopFlows,
  onPumpGrid,
  RadiatorFigures,
  type AirAt,
} from './plant';
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

/** Heat that one kind of thing holds, J/K. */
export interface HeatMass {
  readonly of: string;
  readonly capacity_JK: number;
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
  /** In the order of the model's rows. */
  private readonly fans: readonly Drive[];
  private readonly speeds: Float64Array;
  private readonly airFigures: AirFigures;
  private airAt: AirAt;
  private caseAir: CaseNodes;

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
    this.fans = fanSets(thermalModel).map((f) => this.driveOf(f.component));
    this.speeds = Float64Array.from(this.fans, (f) => f.now);
    this.airFigures = new AirFigures(thermalModel, this.roomAir);
    this.airAt = this.airFigures.at(this.speeds);
    this.caseAir = {
      count: chamberNodes(thermalModel),
      streams: [],
      walls_WK: wallConductance(thermalModel),
    };
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
      {
        count: this.caseAir.count,
        walls_WK: this.caseAir.walls_WK,
        walls_JK: this.caseAir.walls_WK > 0 ? caseMetal(thermalModel) / this.caseAir.count : 0,
      },
      brief.room_C,
    );
    this.setAir();
    this.adjust();
  }

  /** Flows, conductances and air as speeds now are. */
  adjust(): void {
    if (this.fans.some((f, i) => f.now !== this.speeds[i])) this.setAir();
    for (const loop of this.loops) {
      if (this.setPumps(loop)) this.setFlows(loop);
      this.setRadiators(loop);
    }
  }

  /** One step; the heat that left for the room, W. */
  advance(heat_W: Float64Array, step_s: number): number {
    return this.state.step(heat_W, this.caseAir, this.room_C, step_s);
  }

  /** Warmest loop's mean coolant, the brief's room when there is none, °C. */
  warmestLoop(): number {
    let most = this.thermalModel.system.design.brief.room_C;
    for (let k = 0; k < this.loops.length; k += 1) most = Math.max(most, this.state.meanOf(k));
    return most;
  }

  /** What holds heat, by kind. */
  masses(): readonly HeatMass[] {
    const sum = (of: (h: LinkCapacity) => number): number =>
      this.loops.reduce((all, { lumped }) => all + lumped.holds.reduce((s, h) => s + of(h), 0), 0);
    const blocks = this.loops.reduce(
      (all, { lumped }) => all + lumped.bodies.reduce((s, b) => s + b.capacity_JK, 0),
      0,
    );
    return [
      { of: 'coolant', capacity_JK: sum((h) => h.coolant_JK) },
      { of: 'radiators', capacity_JK: sum((h) => h.radiator_JK) },
      { of: 'blocks', capacity_JK: blocks },
      { of: msg`pumps and bodies`, capacity_JK: sum((h) => h.body_JK) },
      {
        of: msg`air coolers`,
        capacity_JK: this.coolers.reduce((s, c) => s + c.capacity_JK, 0),
      },
      { of: 'case', capacity_JK: this.caseAir.walls_WK > 0 ? caseMetal(this.thermalModel) : 0 },
    ];
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
    const vessels = vesselCapacities(thermalModel.system, graph);
    const holds = graph.links.map((e, k) =>
      linkCapacity(
        e,
        graph,
        volume_mL[k] as number,
        thermalModel.radiators,
        flows.fluid,
        standing,
        vessels,
      ),
    );
    const radiators = this.radiatorsOf(graph, flows.fluid);
    const edges = graph.links.length;
    return {
      flows,
      radiators,
      lumped: {
        graph,
        capacity_JK: Float64Array.from(holds, (h) => h.coolant_JK + h.radiator_JK + h.body_JK),
        holds,
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
          exchanger: {
            edge,
            air: r.air,
            chamber: chamberNode(this.thermalModel, r.chamber),
            conductance_WK: 0,
          },
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
    for (const { exchanger, figures } of radiators) {
      const through = Math.abs(lumped.flow_Lmin[exchanger.edge] as number);
      exchanger.conductance_WK = figures.at(this.airAt, through);
    }
  }

  /** The case's air as the fans now turn, and the way it goes through each radiator. */
  private setAir(): void {
    const { thermalModel, roomAir } = this;
    this.fans.forEach((f, i) => {
      this.speeds[i] = f.now;
    });
    this.airAt = this.airFigures.at(this.speeds);
    const moved = stateOf(thermalModel, airBetween(this.airAt));
    this.caseAir = {
      ...this.caseAir,
      streams: airStreams(thermalModel, roomAir, moved),
    };
    for (const { radiators } of this.loops)
      for (const { index, exchanger } of radiators) {
        const way = wayOf(
          thermalModel.radiators[index] as ThermalModel['radiators'][number],
          (moved.winds[index] as FanOperatingPoint).flow_m3h,
        );
        if (way !== exchanger.air) this.state.changed();
        exchanger.air = way;
      }
  }
}

const caseMetal = ({ system }: ThermalModel): number =>
  system.design.case ? caseCapacity(system.design.case) : 0;
