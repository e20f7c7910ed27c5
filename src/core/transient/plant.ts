import { coolantProperties, type FluidProperties } from '../fluids';
import {
  networkOf,
  readyNetwork,
  type FlowReport,
  settingsIn,
  type SettingsOf,
} from '../hydraulics';
import { solveAir, type AirSolution, type FanOperatingPoint } from '../airflow';
import { airModelOf, radiatorState, type FanSet, type ThermalModel } from '../thermal';
import type { LoopGraph } from '../system';
import { LMIN_TO_M3S } from '../units';
import type { Run } from '../tubing';

/**
 * Speeds between which a pump's flows and the case's air are worked out, rpm; in between by straight
 * lines.
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

/** The air of the case at one set of fan speeds. */
interface AirKnot {
  readonly speeds: readonly number[];
  readonly solution: AirSolution;
}

/** The air between two knots. */
export interface AirAt {
  readonly low: AirKnot;
  readonly high: AirKnot;
  readonly share: number;
}

/** Fans whose speeds differ from the first's keep that distance between its knots, on this grid, rpm. */
const OFFSET_GRID_RPM = 10;

/**
 * The case's air by fan speeds, in the order of the model's rows. Balances are worked out at knots
 * of the first fan's speed, once each; the set speeds are met exactly.
 */
export class AirFigures {
  private readonly knots = new Map<string, AirKnot>();
  private readonly set: readonly number[];
  private readonly exact: AirKnot;

  constructor(
    private readonly thermalModel: ThermalModel,
    private readonly roomAir: FluidProperties,
  ) {
    this.set = fanSets(thermalModel).map((f) => f.speed_rpm);
    this.exact = this.solve(this.set);
  }

  at(speeds: Float64Array): AirAt {
    if (this.set.every((s, i) => s === speeds[i]))
      return { low: this.exact, high: this.exact, share: 0 };
    const lead = speeds[0] as number,
      index = Math.floor(lead / FAN_GRID_RPM),
      share = lead / FAN_GRID_RPM - index;
    const offsets = Array.from(
      speeds,
      (s) => Math.round((s - lead) / OFFSET_GRID_RPM) * OFFSET_GRID_RPM,
    );
    const low = this.knot(index, offsets);
    return { low, high: share === 0 ? low : this.knot(index + 1, offsets), share };
  }

  private knot(index: number, offsets: readonly number[]): AirKnot {
    const key = `${index}|${offsets.join()}`;
    let known = this.knots.get(key);
    if (!known) {
      known = this.solve(offsets.map((o) => Math.max(0, index * FAN_GRID_RPM + o)));
      this.knots.set(key, known);
    }
    return known;
  }

  private solve(speeds: readonly number[]): AirKnot {
    const at = withFanSpeeds(this.thermalModel, speeds);
    return { speeds, solution: solveAir(airModelOf(at, this.roomAir)) };
  }
}

/** Fans of a model in the order of its rows: those of radiators, then bare ones. */
export const fanSets = ({ radiators, caseFans }: ThermalModel): readonly FanSet[] => [
  ...radiators.flatMap((r) => r.fans),
  ...caseFans.map((b) => b.set),
];

/** The model with its fans at other speeds, in that order. */
function withFanSpeeds(thermalModel: ThermalModel, speeds: readonly number[]): ThermalModel {
  let next = 0;
  const turned = (set: FanSet): FanSet => {
    const speed_rpm = speeds[next] as number;
    next += 1;
    return { ...set, speed_rpm };
  };
  return {
    ...thermalModel,
    radiators: thermalModel.radiators.map((r) => ({ ...r, fans: r.fans.map(turned) })),
    caseFans: thermalModel.caseFans.map((b) => ({ ...b, set: turned(b.set) })),
  };
}

/** The balance between two knots, by straight lines: flows still add up. */
export function airBetween({ low, high, share }: AirAt): AirSolution {
  if (share === 0) return low.solution;
  const [a, b] = [low.solution, high.solution];
  const mid = (from: number, to: number): number => from + share * (to - from);
  const each = (x: readonly number[], y: readonly number[]): readonly number[] =>
    x.map((v, i) => mid(v, y[i] as number));
  return {
    status: a.status,
    rows: a.rows.map((row, i) => {
      const other = b.rows[i] as FanOperatingPoint;
      return {
        flow_m3h: mid(row.flow_m3h, other.flow_m3h),
        drop_Pa: mid(row.drop_Pa, other.drop_Pa),
        face_ms: mid(row.face_ms, other.face_ms),
      };
    }),
    openings: each(a.openings, b.openings),
    pressures_Pa: each(a.pressures_Pa, b.pressures_Pa),
  };
}

/** A radiator's W/K by air and coolant flow; worked out once at each knot of the air. */
export class RadiatorFigures {
  private known = new WeakMap<AirKnot, number>();
  private flow_Lmin = NaN;

  constructor(
    private readonly thermalModel: ThermalModel,
    private readonly index: number,
    private readonly coolant: FluidProperties,
    private readonly roomAir: FluidProperties,
  ) {}

  at({ low, high, share }: AirAt, flow_Lmin: number): number {
    if (flow_Lmin !== this.flow_Lmin) {
      this.known = new WeakMap();
      this.flow_Lmin = flow_Lmin;
    }
    const a = this.knot(low);
    return share === 0 ? a : a + share * (this.knot(high) - a);
  }

  private knot(knot: AirKnot): number {
    let k = this.known.get(knot);
    if (k === undefined) {
      k = this.solve(knot);
      this.known.set(knot, k);
    }
    return k;
  }

  private solve({ speeds, solution }: AirKnot): number {
    const at = withFanSpeeds(this.thermalModel, speeds);
    return radiatorState(
      at.radiators[this.index] as ThermalModel['radiators'][number],
      solution.rows[this.index] as FanOperatingPoint,
      this.flow_Lmin,
      this.coolant,
      this.roomAir,
      at,
    ).k;
  }
}

/** Coolant temperature a loop's properties are taken at: what the settled answer found. */
export const coolantOf = (flow: FlowReport, loop: string, fallback_C: number): number =>
  flow.loops.find((l) => l.id === loop)?.coolant_C ?? fallback_C;
