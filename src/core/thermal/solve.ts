import { label, nodeIdOf, type LoopGraph, type System } from '../system';
import type { FlowReport } from '../hydraulics';
import type { ComponentId, LoopId, PortId, PortRef } from '../design';
import { water, type FluidProperties } from '../fluids';
import { LOAD_CASES, type BlockPart, type LoadCaseId } from '../components';
import { blockLaw, blockResistanceIn, type BlockLaw } from './block';
import { noiseOf } from './noise';
import type { CaseReport, HeatReport, LoopHeat, RadiatorHeat, SpotHeat } from './report';
import type { ThermalModel } from './thermalModel';
import { prepareHeat, steadyState, type HeatOptions, type Prepared } from './steady';
import { ROOM_AIR, type FanOperatingPoint } from '../airflow';
import { chamberNode, wayOf } from './caseAir';
import type { LoopTemperatures } from './steadyNetwork';

/** K/W of a block at a flow of a coolant, by its points measured in water. */
export const blockAt = (part: BlockPart, flow_Lmin: number, coolant: FluidProperties): number =>
  blockResistanceIn(lawOf(part.resistance), flow_Lmin, coolant);

/** The coolant of a loop at the temperature its flow was solved for. */
const coolantOf = ({ streams }: Prepared, loop: LoopId): FluidProperties =>
  streams.find((s) => s.loop === loop)?.fluid ?? NO_COOLANT;
const NO_COOLANT = water(25);

const laws = new WeakMap<object, BlockLaw>();
function lawOf(points: readonly (readonly [number, number])[]): BlockLaw {
  let law = laws.get(points);
  if (!law) {
    law = blockLaw(points);
    laws.set(points, law);
  }
  return law;
}

/** Temperatures, heat and noise of one load case, at the given flow. */
export function solveHeat(
  thermalModel: ThermalModel,
  flow: FlowReport,
  load: LoadCaseId,
  options: HeatOptions = {},
): CaseReport {
  return solvePrepared(prepareHeat(thermalModel, flow), load, options);
}

/** The same from what is prepared. */
export function solvePrepared(
  prepared: Prepared,
  load: LoadCaseId,
  options: HeatOptions = {},
): CaseReport {
  const { thermalModel, flow, air: roomAir, caseAir: moved } = prepared;
  const { system } = thermalModel;
  const { brief } = system.design;
  const room = brief.room_C;
  const {
    parts,
    loopHeat,
    conductances,
    temps,
    chambers_C,
    airCooled_W: onAir_W,
  } = steadyState(prepared, load, options);
  const caseAir = chambers_C[0] as number;
  const heatOf = (id: string): number => parts.find((p) => p.component === id)?.heat_W ?? 0;

  return {
    id: load,
    loops: system.loops.map((g): LoopHeat => {
      const t = temps.get(g.loop.id);
      const mean = t?.mean_C ?? null;
      const moving = (flow.loops.find((l) => l.id === g.loop.id)?.flow_Lmin ?? 0) > 1e-6;
      const loopStatus = () => {
        if (t) return 'steady';
        if (moving) return 'no-radiator';
        return 'no-flow';
      };
      return {
        id: g.loop.id,
        status: loopStatus(),
        deltaT_K: mean === null ? null : mean - room,
        mean_C: mean,
        hottest_C: t ? Math.max(...t.values_C) : null,
        coolest_C: t ? Math.min(...t.values_C) : null,
        pumpInlet_C: t ? pumpInletOf(g, t) : null,
        sensors: t ? sensorsOf(system, g, t) : [],
        heatIn_W: loopHeat.get(g.loop.id) ?? 0,
      };
    }),
    radiators: thermalModel.radiators.map((r, i): RadiatorHeat => {
      const c = conductances[i] as Prepared['conductances'][number];
      const wind = moved.winds[i] as FanOperatingPoint;
      const way = wayOf(r, wind.flow_m3h);
      const airIn =
        way === 'in' || r.chamber === ROOM_AIR
          ? room
          : (chambers_C[chamberNode(thermalModel, r.chamber)] as number);
      const t = temps.get(r.loop)?.link(c.edge);
      const heat = t ? c.k * (t.in_C - airIn) : null;
      const stream =
        ((Math.abs(wind.flow_m3h) * thermalModel.factors.airFlow) / 3600) *
        roomAir.density_kgm3 *
        roomAir.heatCapacity_JkgK;
      return {
        id: r.id,
        loop: r.loop,
        heat_W: heat,
        conductance_WK: c.k,
        airIn_C: airIn,
        airOut_C: heat !== null && stream > 0 ? airIn + heat / stream : null,
        air: way,
        reversed: way !== r.air,
        airFlow_m3h: Math.abs(wind.flow_m3h) * thermalModel.factors.airFlow,
        basis: c.basis,
        airDrop_Pa: wind.drop_Pa,
        face_ms: wind.face_ms,
        speed_rpm: r.fans[0]?.speed_rpm ?? 0,
      };
    }),
    hotSpots: thermalModel.sources.flatMap((s) =>
      s.part.hotSpots.map((spot): SpotHeat => {
        const heat = heatOf(s.component.id);
        const common = {
          component: s.component.id,
          hotSpot: spot.id,
          name: label(s.component.name, spot.name),
          heat_W: heat,
          limit_C: Math.min(spot.limit_C, brief.limits.part_C ?? Infinity),
          cooledBy: s.block?.id ?? null,
        };
        if (s.block && !s.loop)
          return {
            ...common,
            temp_C: null,
            coolant_C: null,
            block_KW: null,
            interface_KW: spot.interface_KW,
          };
        if (!s.block || !s.loop)
          return {
            ...common,
            temp_C: caseAir + heat * spot.onAir_KW,
            coolant_C: caseAir,
            block_KW: null,
            interface_KW: spot.onAir_KW,
          };
        const edge = system.loops
          .find((g) => g.loop.id === s.loop)
          ?.links.find((e) => e.component === s.block?.id);
        const t = edge ? temps.get(s.loop)?.link(edge.id) : undefined;
        const q = flow.links.find((l) => l.id === edge?.id && l.loop === s.loop)?.flow_Lmin ?? 0;
        const block =
          (s.block.part.kind === 'block'
            ? blockAt(s.block.part, q, coolantOf(prepared, s.loop))
            : 0) * (options.vary?.block(s.block.id) ?? 1);
        const between = spot.interface_KW * (options.vary?.interface(s.component.id) ?? 1);
        const coolant = t ? (t.in_C + t.out_C) / 2 : null;
        return {
          ...common,
          temp_C: coolant === null ? null : coolant + heat * (block + between),
          coolant_C: coolant,
          block_KW: block,
          interface_KW: between,
        };
      }),
    ),
    parts,
    nodes: Object.fromEntries(
      [...temps.values()].flatMap((t) =>
        t ? t.nodes.map((node, i) => [node, t.values_C[i] as number] as const) : [],
      ),
    ),
    inLoop_W: [...loopHeat.values()].reduce((a, b) => a + b, 0),
    airCooled_W: onAir_W,
    unconnected_W: parts.reduce((s, p) => s + (p.to === 'waiting' ? p.heat_W : 0), 0),
    caseAir_C: caseAir,
    caseFans: thermalModel.caseFans.map((b, i) => ({
      id: b.set.component,
      air: wayOf(b, (moved.caseFans[i] as FanOperatingPoint).flow_m3h),
      reversed: (moved.caseFans[i] as FanOperatingPoint).flow_m3h < 0,
      airFlow_m3h:
        Math.abs((moved.caseFans[i] as FanOperatingPoint).flow_m3h) * thermalModel.factors.airFlow,
      airDrop_Pa: (moved.caseFans[i] as FanOperatingPoint).drop_Pa,
    })),
    intake_m3h: moved.intake_m3h,
    exhaust_m3h: moved.exhaust_m3h,
    chambers: thermalModel.chambers.map((id, i) => ({
      id,
      temp_C: chambers_C[i] as number,
      pressure_Pa: moved.solution.pressures_Pa[i] as number,
    })),
    openings: thermalModel.openings.map(({ id, name, from, to, area_cm2 }, i) => ({
      id,
      name,
      from,
      to,
      area_cm2,
      airFlow_m3h: moved.solution.openings[i] as number,
    })),
    noise_dBA: noiseOf(thermalModel),
  };
}

/** Coolant entering the loop's warmest pump, °C; null where none turns. */
function pumpInletOf({ links }: LoopGraph, t: LoopTemperatures): number | null {
  const inlets = links.flatMap((l) => (l.heat === 'pump' ? (t.link(l.id)?.in_C ?? []) : []));
  return inlets.length > 0 ? Math.max(...inlets) : null;
}

/**
 * What the loop's sensors read, °C: of one in a run the coolant that leaves it, of one in a reservoir
 * or a spare port the coolant there.
 */
const sensorsOf = (
  system: System,
  { links, stations, loop }: LoopGraph,
  t: LoopTemperatures,
): LoopHeat['sensors'] => {
  const inChamber = (component: ComponentId, chamber: string): number | undefined => {
    const node = nodeIdOf(component, chamber);
    const after = links.find((l) => l.from === node && t.link(l.id));
    if (after) return t.link(after.id)?.in_C;
    const before = links.find((l) => l.to === node && t.link(l.id));
    return before && t.link(before.id)?.out_C;
  };
  const read = (component: ComponentId, temp_C: number | undefined, port?: PortId) =>
    temp_C === undefined ? [] : [{ component, ...(port ? { port } : {}), temp_C }];
  const within = stations.flatMap((component) => {
    const part = system.placed.get(component)?.part;
    const [port] = part?.kind === 'reservoir' && part.sensor ? part.ports : [];
    return port ? read(component, inChamber(component, port.chamber)) : [];
  });
  const inRuns = links.flatMap(({ id, component, part }) =>
    component !== null && part?.kind === 'inline' && part.sensor
      ? read(component, t.link(id)?.out_C)
      : [],
  );
  const inPlugs = loop.caps.flatMap((cap) => {
    const chamber = cap.piece?.sensor && chamberOf(system, cap);
    return chamber ? read(cap.component, inChamber(cap.component, chamber), cap.port) : [];
  });
  return [...inRuns, ...within, ...inPlugs];
};

const chamberOf = (system: System, { component, port }: PortRef): string | undefined => {
  const part = system.placed.get(component)?.part;
  return part && 'ports' in part ? part.ports.find((p) => p.id === port)?.chamber : undefined;
};

/** Every load case. */
export function solveHeatCases(prepared: Prepared): HeatReport {
  return Object.fromEntries(
    [...LOAD_CASES, 'custom' as const].map((c) => [c, solvePrepared(prepared, c)]),
  ) as unknown as HeatReport;
}
