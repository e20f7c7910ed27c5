import {
  coreDragTerms,
  GRILLE_PA,
  ROOM_AIR,
  rowAlone,
  solveAir,
  STANDARD_AIR_KGM3,
  type AirModel,
  type AirSolution,
  type AirWay,
  type FanOperatingPoint,
  type FanRow,
} from '../airflow';
import type { FluidProperties } from '../fluids';
import { only, ROOM, type Conductor, type Stream } from './network';
import type { CaseFans, RadiatorSetup, ThermalModel } from './thermalModel';

/**
 * What a case exchanges with the room without fans: air that finds its way by warmth, m³/h, and its
 * walls, W/(m² K) (common practice, no source).
 */
const DRAUGHT_M3H = 12;
const WALL_WM2K = 5;
/** Stands for "held at the room's temperature", W/K. */
const OPEN_WK = 1e7;

/** A radiator's fans with its core, filter and what stands before them. */
export function radiatorRow(r: RadiatorSetup, air: FluidProperties): FanRow {
  const { linear, square } = coreDragTerms(r.core, air);
  return {
    id: r.id,
    air: r.air,
    chamber: r.chamber,
    fans: r.fans,
    count: r.sections,
    face_m2: (r.part.section_mm * r.core.width_mm) / 1e6,
    drag: { linear, square: square + atDensity(r.filterLoss_Pa, air) },
  };
}

/** Fans on a mount with nothing but filter and grille before them. */
export const caseFanRow = (
  { set, filterLoss_Pa, ...at }: CaseFans,
  air: FluidProperties,
): FanRow => ({
  id: set.component,
  air: at.air,
  chamber: at.chamber,
  fans: [set],
  count: set.count,
  face_m2: set.part.section_mm ** 2 / 1e6,
  drag: { linear: 0, square: atDensity(filterLoss_Pa + GRILLE_PA, air) },
});

const atDensity = (loss_Pa: number, air: FluidProperties): number =>
  (loss_Pa * air.density_kgm3) / STANDARD_AIR_KGM3;

/** Where the fans of a radiator meet its drag in the open. */
export const radiatorWind = (r: RadiatorSetup, air: FluidProperties): FanOperatingPoint =>
  rowAlone(radiatorRow(r, air), air.density_kgm3);

/** All rows of a model, radiators first, with the ways of its case. */
export const airModelOf = (model: ThermalModel, air: FluidProperties): AirModel => ({
  rows: [
    ...model.radiators.map((r) => radiatorRow(r, air)),
    ...model.caseFans.map((b) => caseFanRow(b, air)),
  ],
  openings: model.openings,
  chambers: model.chambers,
  factor: model.factors.airFlow,
  air,
});

/** What each row would move in the open, m³/h after the installation factor, by component. */
export const airAlone = (model: ThermalModel, air: FluidProperties): ReadonlyMap<string, number> =>
  new Map(
    airModelOf(model, air).rows.map((row) => [
      row.id,
      rowAlone(row, air.density_kgm3).flow_m3h * model.factors.airFlow,
    ]),
  );

/** The case's air with who moves it. */
export interface CaseAirState {
  readonly solution: AirSolution;
  /** By radiator, and by bare row; flows before the installation factor, as they are solved. */
  readonly winds: readonly FanOperatingPoint[];
  readonly caseFans: readonly FanOperatingPoint[];
  readonly intake_m3h: number;
  readonly exhaust_m3h: number;
}

export function caseAirOf(model: ThermalModel, air: FluidProperties): CaseAirState {
  return stateOf(model, solveAir(airModelOf(model, air)));
}

export function stateOf(model: ThermalModel, solution: AirSolution): CaseAirState {
  const count = model.radiators.length;
  const state = {
    solution,
    winds: solution.rows.slice(0, count),
    caseFans: solution.rows.slice(count),
  };
  return {
    ...state,
    intake_m3h: movedThrough(model, state, 'in'),
    exhaust_m3h: movedThrough(model, state, 'out'),
  };
}

/** Air that radiators and bare fans move one way, m³/h: as it goes, not as it was meant to. */
function movedThrough(
  { radiators, caseFans, factors }: ThermalModel,
  state: Pick<CaseAirState, 'winds' | 'caseFans'>,
  way: 'in' | 'out',
): number {
  const through = (
    list: readonly { readonly air: AirWay }[],
    moved: readonly FanOperatingPoint[],
  ): number =>
    list.reduce((sum, { air }, i) => {
      const { flow_m3h } = moved[i] as FanOperatingPoint;
      if (air === 'within') return sum;
      return (air === way) === flow_m3h >= 0 ? sum + Math.abs(flow_m3h) : sum;
    }, 0);
  return factors.airFlow * (through(radiators, state.winds) + through(caseFans, state.caseFans));
}

/** Whose air a row breathes and where it goes: as it was meant, or the other way round. */
export function wayOf({ air }: { readonly air: AirWay }, flow_m3h: number): AirWay {
  if (flow_m3h >= 0 || air === 'within') return air;
  return air === 'in' ? 'out' : 'in';
}

/** Heat that a flow of air carries, W/K to the m³/h. */
export const perFlowOf = (air: FluidProperties): number =>
  (air.density_kgm3 * air.heatCapacity_JkgK) / 3600;

/** Nodes of chambers in the thermal network: they come first, the main one as 0; the room's own. */
export const chamberNode = ({ chambers }: ThermalModel, chamber: string): number =>
  chamber === ROOM_AIR ? ROOM : Math.max(0, chambers.indexOf(chamber));
export const chamberNodes = ({ chambers }: ThermalModel): number => Math.max(1, chambers.length);

/**
 * What flows into each chamber, as streams of heat: from the room, from other chambers, and a draught
 * where fans bring less. Of an open frame the one node is the room's.
 */
export function airStreams(
  model: ThermalModel,
  air: FluidProperties,
  { solution, winds, caseFans }: CaseAirState,
): readonly Stream[] {
  if (model.chambers.length === 0) return [{ capacity_WK: OPEN_WK, from: only(ROOM), to: 0 }];
  const perFlow = perFlowOf(air);
  const node = (name: string): number => chamberNode(model, name);
  const into = new Float64Array(chamberNodes(model));
  const streams: Stream[] = [];
  const flow = (from: number, to: number, moved_m3h: number): void => {
    if (to === ROOM || moved_m3h <= 0) return;
    into[to] = (into[to] as number) + moved_m3h;
    streams.push({ capacity_WK: moved_m3h * perFlow, from: only(from), to });
  };
  const rows = [...model.radiators, ...model.caseFans];
  [...winds, ...caseFans].forEach(({ flow_m3h }, i) => {
    const row = rows[i] as (typeof rows)[number];
    if (wayOf(row, flow_m3h) === 'in')
      flow(ROOM, node(row.chamber), Math.abs(flow_m3h) * model.factors.airFlow);
  });
  model.openings.forEach((o, i) => {
    const moved_m3h = solution.openings[i] as number;
    flow(
      node(moved_m3h >= 0 ? o.from : o.to),
      node(moved_m3h >= 0 ? o.to : o.from),
      Math.abs(moved_m3h),
    );
  });
  into.forEach((moved_m3h, to) => {
    const capacity_WK = Math.max(0, DRAUGHT_M3H / into.length - moved_m3h) * perFlow;
    streams.push({ capacity_WK, from: only(ROOM), to });
  });
  return streams;
}

/** What each chamber gives to the room through its walls, W/K; an open frame has none. */
export function wallConductance({ system, chambers }: ThermalModel): number {
  if (chambers.length === 0) return 0;
  const [x = 0, y = 0, z = 0] = (system.design.case?.interior ?? []).map((mm) => mm / 1000);
  return (WALL_WM2K * 2 * (x * y + y * z + z * x)) / chambers.length;
}

/** Where a radiator's air comes from and where its heat goes. */
export function airSide(way: AirWay, chamber: number): Pick<Conductor, 'cold' | 'into'> {
  if (way === 'within') return { cold: only(chamber), into: chamber };
  return way === 'in' ? { cold: only(ROOM), into: chamber } : { cold: only(chamber), into: ROOM };
}
