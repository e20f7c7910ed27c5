import type { LoadCaseId } from '../components';
import type { ComponentId, LoopId } from '../design';
import type { FlowReport } from '../hydraulics';
import { sourceHeat, type ThermalModel } from '../thermal';
import type { Run } from '../tubing';
import { Machine } from './machine';
import { spotsOf, type Spot } from './spots';

/** What a machine shows at one moment. */
export interface LiveState {
  /** Since it was switched on, s. */
  readonly time_s: number;
  readonly load: LoadCaseId;
  readonly room_C: number;
  readonly loops: readonly {
    readonly id: LoopId;
    readonly mean_C: number;
    /** Largest flow anywhere in it. */
    readonly flow_Lmin: number;
  }[];
  readonly spots: readonly {
    readonly component: ComponentId;
    readonly spot: string;
    /** NaN under a block that no loop serves. */
    readonly temp_C: number;
  }[];
  readonly speeds: readonly {
    readonly component: ComponentId;
    readonly kind: 'fan' | 'pump';
    readonly speed_rpm: number;
  }[];
  readonly noise_dBA: number;
}

/** Longest step a machine is moved on by, s. */
const STEP_S = 5;

/**
 * A machine that runs on and on: told its load and speeds, moved on by seconds, read at any moment.
 * The same lumped plant as a scenario's (`runTransient`), started cold, without throttling.
 */
export class LiveMachine {
  private readonly machine: Machine;
  private readonly spots: readonly Spot[];
  private heat_W: Float64Array;
  private time_s = 0;
  private now: LoadCaseId;

  constructor(
    private readonly thermalModel: ThermalModel,
    flow: FlowReport,
    runs: readonly Run[],
  ) {
    this.machine = new Machine(thermalModel, flow, runs);
    this.spots = spotsOf(thermalModel, this.machine);
    this.now = thermalModel.system.design.brief.loadCase;
    this.heat_W = this.heatOf(this.now);
  }

  set load(load: LoadCaseId) {
    this.now = load;
    this.heat_W = this.heatOf(load);
  }

  /** Share of every flow that is lost, 0 to 0.95. */
  set sag(share: number) {
    this.machine.sag = Math.min(0.95, Math.max(0, share));
    this.machine.adjust();
  }

  /** Speed of one fan set or pump, rpm, within what it can turn; 0 stands still. */
  turn(component: ComponentId, speed_rpm: number): void {
    const drive = this.machine.drives.find((d) => d.component.id === component);
    if (!drive) return;
    drive.now = speed_rpm <= 0 ? 0 : Math.min(drive.most, Math.max(drive.least, speed_rpm));
    this.machine.adjust();
  }

  /** Moves on by so many seconds. */
  advance(seconds: number): void {
    const steps = Math.max(1, Math.ceil(seconds / STEP_S));
    for (let i = 0; i < steps; i += 1) this.machine.advance(this.heat_W, seconds / steps);
    this.time_s += seconds;
  }

  state(): LiveState {
    const { machine, spots, heat_W } = this;
    return {
      time_s: this.time_s,
      load: this.now,
      room_C: machine.room_C,
      loops: machine.loops.map(({ lumped }, k) => ({
        id: lumped.graph.loop.id,
        mean_C: machine.state.meanOf(k),
        flow_Lmin: lumped.flow_Lmin.reduce((most, q) => Math.max(most, Math.abs(q)), 0),
      })),
      spots: spots.map((s) => ({
        component: s.source.component.id,
        spot: s.hotSpot.id,
        temp_C: s.temp(heat_W),
      })),
      speeds: machine.drives.map((d) => ({
        component: d.component.id,
        kind: d.kind,
        speed_rpm: d.now,
      })),
      noise_dBA: machine.noise(),
    };
  }

  private heatOf(load: LoadCaseId): Float64Array {
    return Float64Array.from(this.thermalModel.sources, (s) => sourceHeat(s, load));
  }
}
