import { air, coolantProperties, type FluidProperties } from '../fluids';
import { standingVolumes } from '../tubing';
import { pumpShare, type FlowReport, settingsIn } from '../hydraulics';
import type { LoadCaseId, PumpPart } from '../components';
import { measuredRatio, type RadiatorBasis } from './measured';
import { radiatorConductance } from './radiator';
import type { PartHeat } from './report';
import { sourceHeat, type ThermalModel, type RadiatorSetup } from './thermalModel';
import {
  loopStreams,
  solveSteady,
  steadyNetwork,
  type LoopStreams,
  type LoopTemperatures,
  type SteadyNetwork,
} from './steadyNetwork';
import type { FanOperatingPoint } from '../airflow';
import {
  airStreams,
  caseAirOf,
  chamberNode,
  chamberNodes,
  wallConductance,
  wayOf,
  type CaseAirState,
} from './caseAir';

export interface HeatOptions {
  /** Multiplies every part's heat: for "how much would it carry". */
  readonly loadFactor?: number;
  /** What parts may differ by from their papers, by component: for bands of uncertainty. */
  readonly vary?: Variation;
}

/** Multipliers by component. */
export interface Variation {
  draw(component: string): number;
  block(component: string): number;
  interface(component: string): number;
}

/**
 * What does not depend on the load case: winds and conductances. Shared by the cases and by "how
 * much more area".
 */
export interface Prepared {
  readonly thermalModel: ThermalModel;
  readonly flow: FlowReport;
  readonly air: FluidProperties;
  readonly caseAir: CaseAirState;
  readonly streams: readonly LoopStreams[];
  readonly conductances: readonly {
    readonly edge: string;
    readonly k: number;
    /** What the model gives; `k` differs from it where points were measured. */
    readonly modelled_WK: number;
    readonly basis: RadiatorBasis;
    readonly coolant_Lmin: number;
    readonly coolant: FluidProperties;
  }[];
}

export function prepareHeat(thermalModel: ThermalModel, flow: FlowReport): Prepared {
  const { system } = thermalModel;
  const { brief } = system.design;
  const roomAir = air(brief.room_C + 3, brief.altitude_m);
  const caseAir = airOf(thermalModel, roomAir);
  const states = thermalModel.radiators.map((r, i) => {
    const graph = system.loops.find((g) => g.loop.id === r.loop);
    const edge = graph?.links.find((e) => e.component === r.id);
    const q = flow.links.find((l) => l.id === edge?.id && l.loop === r.loop)?.flow_Lmin ?? 0;
    const coolant_C = flow.loops.find((l) => l.id === r.loop)?.coolant_C ?? brief.room_C + 8;
    const coolant = coolantProperties(
      graph?.loop.coolant.base ?? { glycol: 'none', volumeShare: 0 },
      coolant_C,
    );
    return {
      edge: edge?.id ?? '',
      coolant_Lmin: q,
      coolant,
      ...radiatorState(r, caseAir.winds[i] as FanOperatingPoint, q, coolant, roomAir, thermalModel),
    };
  });
  return {
    thermalModel,
    flow,
    air: roomAir,
    caseAir,
    streams: streamsOf(thermalModel, flow),
    conductances: states,
  };
}

const airs = new WeakMap<ThermalModel, CaseAirState>();
/** Air depends on the model alone: kept while the same model meets other flows. */
function airOf(thermalModel: ThermalModel, roomAir: FluidProperties): CaseAirState {
  let known = airs.get(thermalModel);
  if (!known) {
    known = caseAirOf(thermalModel, roomAir);
    airs.set(thermalModel, known);
  }
  return known;
}

/**
 * The same machine with every radiator longer by a factor and fans to match: more core, more air
 * through it, and more air into or out of the case. Coolant flows stay as they are.
 */
export function withArea(prepared: Prepared, factor: number): Prepared {
  if (factor === 1) return prepared;
  const { thermalModel, air: roomAir } = prepared;
  const radiators = thermalModel.radiators.map((r) => ({
    ...r,
    sections: r.sections * factor,
    core: { ...r.core, length_mm: r.core.length_mm * factor },
    fans: r.fans.map((f) => ({ ...f, count: f.count * factor })),
  }));
  const scaled: ThermalModel = { ...thermalModel, radiators };
  const caseAir = airOf(scaled, roomAir);
  const conductances = prepared.conductances.map((c, i) => {
    const modelled_WK = radiatorConductance((radiators[i] as RadiatorSetup).core, {
      airFlow_m3h: Math.abs((caseAir.winds[i] as FanOperatingPoint).flow_m3h),
      coolantFlow_Lmin: c.coolant_Lmin,
      air: roomAir,
      coolant: c.coolant,
      factors: thermalModel.factors,
    }).conductance_WK;
    // What was measured differs from the model by the same share at any length.
    const k = c.modelled_WK > 0 ? (c.k * modelled_WK) / c.modelled_WK : 0;
    return { ...c, modelled_WK, k };
  });
  return {
    ...prepared,
    thermalModel: scaled,
    caseAir,
    conductances,
  };
}

/**
 * Heat per kelvin of one radiator in the wind that its fans and the case leave it, at a coolant
 * flow: measured on the bench where it was, modelled else, and what this machine makes of it.
 */
export function radiatorState(
  r: RadiatorSetup,
  wind: FanOperatingPoint,
  coolant_Lmin: number,
  coolant: FluidProperties,
  roomAir: FluidProperties,
  { factors, measuredHere }: Pick<ThermalModel, 'factors' | 'measuredHere'>,
): {
  readonly k: number;
  readonly modelled_WK: number;
  readonly basis: RadiatorBasis;
} {
  const airFlow_m3h = Math.abs(wind.flow_m3h);
  const k = radiatorConductance(r.core, {
    airFlow_m3h,
    coolantFlow_Lmin: coolant_Lmin,
    air: roomAir,
    coolant,
    factors,
  }).conductance_WK;
  const { measured } = r.part;
  if (!measured) return { k: k * measuredHere, modelled_WK: k, basis: 'model' };
  const { ratio, basis } = measuredRatio(
    r,
    measured,
    roomAir,
    factors,
  )(
    measured.against === 'air' ? airFlow_m3h * factors.airFlow : (r.fans[0]?.speed_rpm ?? 0),
    coolant_Lmin,
  );
  return { k: k * ratio * measuredHere, modelled_WK: k, basis };
}

/** What the pump puts into its coolant, W: its power goes as the cube of speed (affinity laws). */
export const pumpHeat = (part: PumpPart, speed_rpm: number | undefined): number =>
  part.power_W * Math.min(1, pumpShare(part, speed_rpm)) ** 3;

const streams = new WeakMap<FlowReport, readonly LoopStreams[]>();
/** Streams depend on the flow alone: kept while the same flow is asked about again. */
function streamsOf(thermalModel: ThermalModel, flow: FlowReport): readonly LoopStreams[] {
  let known = streams.get(flow);
  if (!known) {
    const { room_C } = thermalModel.system.design.brief;
    known = thermalModel.system.loops.map((g) =>
      loopStreams(
        g,
        standingVolumes(thermalModel.system, g),
        flow,
        flow.loops.find((l) => l.id === g.loop.id)?.coolant_C ?? room_C,
      ),
    );
    streams.set(flow, known);
  }
  return known;
}

/** Loops and case air in balance: what every answer about temperatures starts from. */
export interface Steady {
  readonly parts: readonly PartHeat[];
  readonly loopHeat: ReadonlyMap<string, number>;
  readonly conductances: Prepared['conductances'];
  readonly temps: ReadonlyMap<string, LoopTemperatures | null>;
  /** Case air by chamber, the main one first. */
  readonly chambers_C: readonly number[];
  readonly airCooled_W: number;
}

/** Solves loops and case air together for one load case. */
export function steadyState(
  prepared: Prepared,
  load: LoadCaseId,
  options: HeatOptions = {},
): Steady {
  const { system } = prepared.thermalModel;
  const { thermalModel } = prepared;
  const parts = heatOfParts(thermalModel, load, options);
  const { gain_W, loopHeat } = heatOfEdges(thermalModel, parts);
  const onAir_W = parts.reduce((s, p) => s + (p.to === 'air' ? p.heat_W : 0), 0);
  const room = system.design.brief.room_C;
  const solved = solveSteady(networkOf(prepared), gain_W, onAir_W, room);
  return {
    parts,
    loopHeat,
    conductances: prepared.conductances,
    temps: new Map(system.loops.map((g) => [g.loop.id, solved.loops.get(g.loop.id) ?? null])),
    chambers_C: solved.chambers_C,
    airCooled_W: onAir_W,
  };
}

/** What each part gives off, and where to. */
function heatOfParts(
  thermalModel: ThermalModel,
  load: LoadCaseId,
  { loadFactor = 1, vary }: HeatOptions,
): readonly PartHeat[] {
  return thermalModel.sources.map((s) => ({
    component: s.component.id,
    name: s.component.name,
    heat_W: sourceHeat(s, load) * loadFactor * (vary?.draw(s.component.id) ?? 1),
    to: whereTo(s),
  }));
}

/** A part under a block that no loop serves waits. */
function whereTo(source: ThermalModel['sources'][number]): PartHeat['to'] {
  if (source.loop) return 'loop';
  return source.block ? 'waiting' : 'air';
}

/** Heat put into the coolant by edge and by loop, W: parts under their blocks, and pumps. */
function heatOfEdges(
  thermalModel: ThermalModel,
  parts: readonly PartHeat[],
): { readonly gain_W: ReadonlyMap<string, number>; readonly loopHeat: Map<string, number> } {
  const under = new Map<string, number>();
  thermalModel.sources.forEach((s, i) => {
    if (s.block)
      under.set(s.block.id, (under.get(s.block.id) ?? 0) + (parts[i] as PartHeat).heat_W);
  });
  const gain_W = new Map<string, number>();
  const settingsOf = settingsIn(thermalModel.system.design);
  const loopHeat = new Map(thermalModel.system.loops.map((g) => [g.loop.id, 0]));
  for (const { loop, links: edges } of thermalModel.system.loops)
    for (const { id, component, law, part, heat } of edges) {
      if (component === null || heat === null) continue;
      const gain =
        law.kind === 'pump'
          ? pumpHeat(law.part, settingsOf(component).speed_rpm)
          : (under.get(component) ?? 0) / (part?.passages.length ?? 1);
      if (gain <= 0) continue;
      gain_W.set(id, gain);
      loopHeat.set(loop.id, (loopHeat.get(loop.id) ?? 0) + gain);
    }
  return { gain_W, loopHeat };
}

const networks = new WeakMap<Prepared, SteadyNetwork>();
/** The network of a prepared machine: load cases and searches ask for it again and again. */
function networkOf(prepared: Prepared): SteadyNetwork {
  let found = networks.get(prepared);
  if (!found) {
    const { thermalModel, conductances, caseAir } = prepared;
    found = steadyNetwork(
      prepared.streams,
      thermalModel.radiators.map((r, i) => {
        const { edge, k } = conductances[i] as Prepared['conductances'][number];
        const { flow_m3h } = caseAir.winds[i] as FanOperatingPoint;
        return {
          loop: r.loop,
          edge,
          conductance_WK: k,
          air: wayOf(r, flow_m3h),
          chamber: chamberNode(thermalModel, r.chamber),
        };
      }),
      {
        count: chamberNodes(thermalModel),
        streams: airStreams(thermalModel, prepared.air, caseAir),
        walls_WK: wallConductance(thermalModel),
      },
    );
    networks.set(prepared, found);
  }
  return found;
}

/**
 * Warmest loop's mean coolant over the room, K; null when there is no loop or one has no steady
 * state.
 */
export function steadyRise(
  prepared: Prepared,
  load: LoadCaseId,
  options: HeatOptions = {},
): number | null {
  const { temps } = steadyState(prepared, load, options);
  let worst: number | null = null;
  for (const t of temps.values()) {
    if (!t) return null;
    worst = Math.max(
      worst ?? -Infinity,
      t.mean_C - prepared.thermalModel.system.design.brief.room_C,
    );
  }
  return worst;
}

/** Mean coolant of each loop that has a steady state, °C by loop id. */
export function loopMeans(prepared: Prepared, load: LoadCaseId): ReadonlyMap<string, number> {
  return new Map(
    [...steadyState(prepared, load).temps].flatMap(([id, t]) =>
      t ? [[id, t.mean_C] as const] : [],
    ),
  );
}
