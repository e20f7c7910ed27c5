import { air, coolantProperties, type FluidProperties } from '../fluid';
import { pumpShare, type FlowReport } from '../flow';
import type { LoadCaseId, PumpPart } from '../part';
import {
  balanceLoop,
  factorLoop,
  loopStreams,
  type LinkHeat,
  type LoopFactors,
  type LoopStreams,
  type LoopTemperatures,
} from './balance';
import { measuredRatio, type RadiatorBasis } from './measured';
import { radiatorConductance, type InstallationFactors } from './radiator';
import type { PartHeat } from './report';
import { sourceHeat, type HeatSetup, type RadiatorSetup } from './setup';
import { bareWind, radiatorWind, type Wind } from './wind';

/** What a case sheds without fans: air that finds its way through, m³/h, and its walls, W/(m² K) (common practice, no source). */
const DRAUGHT_M3H = 12;
const WALL_WM2K = 5;

export interface HeatOptions {
  /** Multiplies every radiator's conductance: for "how many sections are needed". */
  readonly conductanceFactor?: number;
  /** Multiplies every part's heat: for "how much would it carry". */
  readonly loadFactor?: number;
  /** What parts may differ by from their papers, by item: for bands of uncertainty. */
  readonly vary?: Variation;
}

/** Multipliers by item. */
export interface Variation {
  draw(item: string): number;
  block(item: string): number;
  interface(item: string): number;
}

/** What does not depend on the load case: winds and conductances. Shared by the cases and by "how much more area". */
export interface Prepared {
  readonly setup: HeatSetup;
  readonly flow: FlowReport;
  readonly air: FluidProperties;
  readonly winds: readonly Wind[];
  readonly bare: readonly Wind[];
  readonly streams: ReadonlyMap<string, LoopStreams>;
  readonly conductances: readonly {
    readonly edge: string;
    readonly k: number;
    readonly basis: RadiatorBasis;
  }[];
}

export function prepareHeat(setup: HeatSetup, flow: FlowReport): Prepared {
  const { model } = setup;
  const { brief } = model.build;
  const roomAir = air(brief.room_C + 3, brief.altitude_m);
  const states = setup.radiators.map((r) => {
    const graph = model.loops.find((g) => g.loop.id === r.loop);
    const edge = graph?.edges.find((e) => e.item?.id === r.id);
    const q = flow.links.find((l) => l.id === edge?.id && l.loop === r.loop)?.flow_Lmin ?? 0;
    const coolant_C = flow.loops.find((l) => l.id === r.loop)?.coolant_C ?? brief.room_C + 8;
    const coolant = coolantProperties(
      graph?.loop.coolant.base ?? { glycol: 'none', volumeShare: 0 },
      coolant_C,
    );
    return { edge: edge?.id ?? '', ...radiatorState(r, q, coolant, roomAir, setup.factors) };
  });
  return {
    setup,
    flow,
    air: roomAir,
    winds: states.map((s) => s.wind),
    bare: setup.bare.map(bareWind),
    streams: streamsOf(setup, flow),
    conductances: states,
  };
}

/** Wind and heat per kelvin of one radiator with its fans as they turn, at a coolant flow: measured where it was, modelled else. */
export function radiatorState(
  r: RadiatorSetup,
  coolant_Lmin: number,
  coolant: FluidProperties,
  roomAir: FluidProperties,
  factors: InstallationFactors,
): { readonly wind: Wind; readonly k: number; readonly basis: RadiatorBasis } {
  const wind = radiatorWind(r, roomAir);
  const k = radiatorConductance(r.core, {
    airFlow_m3h: wind.flow_m3h,
    coolantFlow_Lmin: coolant_Lmin,
    air: roomAir,
    coolant,
    factors,
  }).conductance_WK;
  const { measured } = r.part;
  if (!measured) return { wind, k, basis: 'model' };
  const { ratio, basis } = measuredRatio(
    r,
    measured,
    roomAir,
    factors,
  )(
    measured.against === 'air' ? wind.flow_m3h * factors.airFlow : (r.fans[0]?.speed_rpm ?? 0),
    coolant_Lmin,
  );
  return { wind, k: k * ratio, basis };
}

/** What case air carries away per kelvin over the room, W/K: its fans, or where they stand, draughts and walls. */
export function caseExchange(
  { model }: HeatSetup,
  roomAir: FluidProperties,
  moved_m3h: number,
): number {
  const perFlow = (roomAir.density_kgm3 * roomAir.heatCapacity_JkgK) / 3600;
  const [x = 0, y = 0, z = 0] = (model.build.case?.interior ?? []).map((mm) => mm / 1000);
  return Math.max(
    moved_m3h * perFlow,
    DRAUGHT_M3H * perFlow + WALL_WM2K * 2 * (x * y + y * z + z * x),
  );
}

/** What the pump puts into its coolant, W: its power goes as the cube of speed (affinity laws). */
export const pumpHeat = (part: PumpPart, speed_rpm: number | undefined): number =>
  part.power_W * Math.min(1, pumpShare(part, speed_rpm)) ** 3;

const streams = new WeakMap<FlowReport, ReadonlyMap<string, LoopStreams>>();
/** Streams depend on the flow alone: kept while the same flow is asked about again. */
function streamsOf(setup: HeatSetup, flow: FlowReport): ReadonlyMap<string, LoopStreams> {
  let known = streams.get(flow);
  if (!known) {
    known = new Map(
      setup.model.loops.map((g) => [
        g.loop.id,
        loopStreams(
          g,
          flow,
          flow.loops.find((l) => l.id === g.loop.id)?.coolant_C ?? setup.model.build.brief.room_C,
        ),
      ]),
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
  readonly caseAir_C: number;
  readonly onAir_W: number;
  readonly intake_m3h: number;
  readonly exhaust_m3h: number;
}

/** Solves loops and case air together for one load case. */
export function steadyState(
  prepared: Prepared,
  load: LoadCaseId,
  options: HeatOptions = {},
): Steady {
  const { setup, air: roomAir, winds, bare } = prepared;
  const { model } = setup;
  const room = model.build.brief.room_C;
  const way = (direction: 'in' | 'out'): number =>
    setup.factors.airFlow *
    (setup.radiators.reduce(
      (s, r, i) => s + (r.air === direction ? (winds[i] as Wind).flow_m3h : 0),
      0,
    ) +
      setup.bare.reduce(
        (s, f, i) => s + (f.air === direction ? (bare[i] as Wind).flow_m3h : 0),
        0,
      ));
  const intake_m3h = way('in'),
    exhaust_m3h = way('out');
  const exchange_WK = caseExchange(setup, roomAir, Math.max(intake_m3h, exhaust_m3h));

  const parts: PartHeat[] = setup.sources.map((s) => {
    const chooseTo = () => {
      if (s.loop) return 'loop';
      if (s.block) return 'waiting';
      return 'air';
    };
    return {
      item: s.item.id,
      name: s.item.name,
      heat_W:
        sourceHeat(s, load) * (options.loadFactor ?? 1) * (options.vary?.draw(s.item.id) ?? 1),
      to: chooseTo(),
    };
  });
  const heatOf = (id: string): number => parts.find((p) => p.item === id)?.heat_W ?? 0;
  const base = new Map<string, LinkHeat>();
  const loopHeat = new Map<string, number>(model.loops.map((g) => [g.loop.id, 0]));
  for (const g of model.loops) {
    for (const e of g.edges) {
      if (!e.item) continue;
      const gain =
        e.item.part.kind === 'pump'
          ? pumpHeat(e.item.part, e.item.settings.speed_rpm)
          : setup.sources.reduce(
              (s, x) => s + (x.block?.id === e.item?.id ? heatOf(x.item.id) : 0),
              0,
            ) / Math.max(1, 'passages' in e.item.part ? e.item.part.passages.length : 1);
      if (gain > 0) {
        base.set(e.id, { gain_W: gain });
        loopHeat.set(g.loop.id, (loopHeat.get(g.loop.id) ?? 0) + gain);
      }
    }
  }

  const factor = options.conductanceFactor ?? 1;
  const conductances =
    factor === 1
      ? prepared.conductances
      : prepared.conductances.map((c) => ({ ...c, k: c.k * factor }));
  const factors = factorsOf(prepared, factor);

  const onAir_W = parts.reduce((s, p) => s + (p.to === 'air' ? p.heat_W : 0), 0);
  /** Loop temperatures when the case air stands at t, and the case air that would follow. */
  const round = (
    t: number,
  ): { readonly temps: Map<string, LoopTemperatures | null>; readonly next: number } => {
    const heat = new Map(base);
    setup.radiators.forEach((r, k) => {
      const c = conductances[k] as Prepared['conductances'][number];
      heat.set(c.edge, { air_C: r.air === 'in' ? room : t });
    });
    const temps = new Map(
      model.loops.map((g) => {
        const ready = factors.get(g.loop.id);
        return [g.loop.id, ready ? balanceLoop(ready, heat) : null];
      }),
    );
    const fromIntake = setup.radiators.reduce((s, r, k) => {
      const c = conductances[k] as Prepared['conductances'][number];
      const inlet = temps.get(r.loop)?.link(c.edge)?.in_C;
      return s + (r.air === 'in' && inlet !== undefined ? c.k * (inlet - room) : 0);
    }, 0);
    return { temps, next: room + (fromIntake + onAir_W) / exchange_WK };
  };
  // The case air that follows is a straight line in the case air put in, so two rounds give its fixed point and the third its temperatures.
  const PROBE_K = 10;
  const at0 = round(room),
    at1 = round(room + PROBE_K);
  const slope = (at1.next - at0.next) / PROBE_K;
  const caseAir =
    Math.abs(slope) < 1e-12 ? at0.next : room + (at0.next - room) / (1 - Math.min(0.99, slope));
  const { temps } = Math.abs(caseAir - room) < 1e-9 ? at0 : round(caseAir);
  return {
    parts,
    loopHeat,
    conductances,
    temps,
    caseAir_C: caseAir,
    onAir_W,
    intake_m3h,
    exhaust_m3h,
  };
}

const factored = new WeakMap<Prepared, Map<number, ReadonlyMap<string, LoopFactors | null>>>();
/** Factors of every loop at an area factor: load cases and rounds with case air ask for the same ones again and again. */
function factorsOf(prepared: Prepared, factor: number): ReadonlyMap<string, LoopFactors | null> {
  let known = factored.get(prepared);
  if (!known) {
    known = new Map();
    factored.set(prepared, known);
  }
  let found = known.get(factor);
  if (!found) {
    const conductance = new Map(prepared.conductances.map((c) => [c.edge, c.k * factor]));
    found = new Map(
      [...prepared.streams].map(([loop, streams]) => [loop, factorLoop(streams, conductance)]),
    );
    known.set(factor, found);
  }
  return found;
}

/** Mean coolant around a loop, °C. */
export const meanOf = (t: LoopTemperatures): number =>
  t.values_C.reduce((a, b) => a + b, 0) / t.values_C.length;

/** Warmest loop's mean coolant over the room, K; null when there is no loop or one has no steady state. */
export function steadyRise(
  prepared: Prepared,
  load: LoadCaseId,
  options: HeatOptions = {},
): number | null {
  const { temps } = steadyState(prepared, load, options);
  let worst: number | null = null;
  for (const t of temps.values()) {
    if (!t) return null;
    worst = Math.max(worst ?? -Infinity, meanOf(t) - prepared.setup.model.build.brief.room_C);
  }
  return worst;
}

/** Mean coolant of each loop that has a steady state, °C by loop id. */
export function loopMeans(prepared: Prepared, load: LoadCaseId): ReadonlyMap<string, number> {
  return new Map(
    [...steadyState(prepared, load).temps].flatMap(([id, t]) =>
      t ? [[id, meanOf(t)] as const] : [],
    ),
  );
}
