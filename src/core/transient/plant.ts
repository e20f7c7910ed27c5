import { coolantProperties, type FluidProperties } from '../fluids';
import {
  networkOf,
  readyNetwork,
  type FlowReport,
  settingsIn,
  type SettingsOf,
} from '../hydraulics';
import { radiatorState, type ThermalModel } from '../thermal';
import type { LoopGraph } from '../system';
import { LMIN_TO_M3S } from '../units';
import type { Run } from '../tubing';

/**
 * Speeds between which a pump's flows and a radiator's figures are worked out, rpm; in between by
 * straight lines.
 */
const PUMP_GRID_RPM = 50,
  FAN_GRID_RPM = 25;

/** Flows of one loop by the speeds of its pumps; each state is solved once. */
export class LoopFlows {
  private readonly known = new Map<string, Float64Array>();
  readonly fluid: FluidProperties;
  /** Heat a stream carries, W/K to the L/min. */
  readonly perFlow_WK: number;

  constructor(
    private readonly thermalModel: ThermalModel,
    readonly graph: LoopGraph,
    private readonly runs: readonly Run[],
    private readonly coolant_C: number,
  ) {
    this.fluid = coolantProperties(graph.loop.coolant.base, coolant_C);
    this.perFlow_WK = LMIN_TO_M3S * this.fluid.density_kgm3 * this.fluid.heatCapacity_JkgK;
  }

  /** Pumps by component; those left out stand still. */
  at(speeds: ReadonlyMap<string, number>): Float64Array {
    const key = [...speeds].map(([id, rpm]) => `${id}:${rpm}`).join();
    let flows = this.known.get(key);
    if (!flows) {
      const { system } = this.thermalModel;
      const pumps = this.graph.links.flatMap((l) =>
        l.law.kind === 'pump' ? (l.component ?? []) : [],
      );
      const set = settingsIn(system.design);
      const settingsNow: SettingsOf = (id) =>
        pumps.includes(id) ? { ...set(id), speed_rpm: speeds.get(id) ?? 0 } : set(id);
      const turns = pumps.some((id) => (speeds.get(id) ?? 0) > 0);
      const solution = turns
        ? readyNetwork(
            networkOf(system, this.graph, this.runs, this.coolant_C, settingsNow),
          ).solve()
        : null;
      flows = Float64Array.from(this.graph.links, (e) =>
        solution?.status === 'solved' ? (solution.flows.get(e.id) ?? 0) : 0,
      );
      this.known.set(key, flows);
    }
    return flows;
  }
}

/** Pump speed a flow is solved for: the set one as it is, others on the grid. */
export const onPumpGrid = (rpm: number, set_rpm: number): number =>
  Math.abs(rpm - set_rpm) < 1e-6 ? set_rpm : Math.round(rpm / PUMP_GRID_RPM) * PUMP_GRID_RPM;

export interface Figures {
  readonly k: number;
  readonly air_m3h: number;
}

/**
 * A radiator's W/K and air by fan speed and flow. Knots are worked out once; the set speeds are met
 * exactly.
 */
export class RadiatorFigures {
  private readonly tables = new Map<string, (Figures | undefined)[]>();
  private table: (Figures | undefined)[] = [];
  private exact: Figures | null = null;
  private flow_Lmin = NaN;
  private offsets = '';
  private readonly set: readonly number[];
  constructor(
    private readonly thermalModel: ThermalModel,
    private readonly index: number,
    private readonly coolant: FluidProperties,
    private readonly roomAir: FluidProperties,
  ) {
    this.set = (thermalModel.radiators[index] as ThermalModel['radiators'][number]).fans.map(
      (f) => f.speed_rpm,
    );
  }

  /**
   * `speeds` by fan set; `flow_Lmin` through the core. Sets of unlike speed keep their distance
   * from the first between its knots.
   */
  at(speeds: Float64Array, flow_Lmin: number): Figures {
    let same = true,
      offsets = '';
    for (let i = 0; i < speeds.length; i += 1) {
      if ((speeds[i] as number) !== this.set[i]) same = false;
      if (i > 0) offsets += `${Math.round((speeds[i] as number) - (speeds[0] as number))},`;
    }
    if (flow_Lmin !== this.flow_Lmin || offsets !== this.offsets) {
      if (flow_Lmin !== this.flow_Lmin) this.exact = null;
      this.flow_Lmin = flow_Lmin;
      this.offsets = offsets;
      const key = `${flow_Lmin}|${offsets}`;
      this.table = this.tables.get(key) ?? [];
      this.tables.set(key, this.table);
    }
    if (same) return (this.exact ??= this.solve(this.set));
    const lead = speeds[0] as number,
      low = Math.floor(lead / FAN_GRID_RPM),
      t = lead / FAN_GRID_RPM - low;
    const a = this.knot(low, speeds);
    if (t === 0) return a;
    const b = this.knot(low + 1, speeds);
    return { k: a.k + t * (b.k - a.k), air_m3h: a.air_m3h + t * (b.air_m3h - a.air_m3h) };
  }

  private knot(i: number, speeds: Float64Array): Figures {
    const lead = i * FAN_GRID_RPM;
    return (this.table[i] ??= this.solve(
      Array.from(speeds, (s) => Math.max(0, lead + s - (speeds[0] as number))),
    ));
  }

  private solve(speeds: readonly number[]): Figures {
    const r = this.thermalModel.radiators[this.index] as ThermalModel['radiators'][number];
    const state = radiatorState(
      { ...r, fans: r.fans.map((f, i) => ({ ...f, speed_rpm: speeds[i] as number })) },
      this.flow_Lmin,
      this.coolant,
      this.roomAir,
      this.thermalModel.factors,
    );
    return { k: state.k, air_m3h: state.wind.flow_m3h * this.thermalModel.factors.airFlow };
  }
}

/** Coolant temperature a loop's properties are taken at: what the settled answer found. */
export const coolantOf = (flow: FlowReport, loop: string, fallback_C: number): number =>
  flow.loops.find((l) => l.id === loop)?.coolant_C ?? fallback_C;
