import {
  factorsOf,
  findComponent,
  type Component,
  type ComponentId,
  type Design,
  type Factors,
  type LoopId,
  type Placement,
} from '../design';
import { roomOf, type System } from '../system';
import {
  isHeated,
  turningSpeed,
  type FanPart,
  type HeatedPart,
  type LoadCaseId,
  type RadiatorPart,
} from '../components';
import {
  chambersOf,
  coreDragTerms,
  faceSquare,
  fanCurve,
  isOpenFrame,
  MAIN_CHAMBER,
  openingsOf,
  ROOM_AIR,
  STANDARD_AIR_KGM3,
  type AirOpening,
  type AirWay,
  type Core,
  type FanCurve,
} from '../airflow';
import { air, type FluidProperties } from '../fluids';
import { msg } from '../messages';
import { INSTALLATION, type InstallationFactors } from './radiator';

/** Fans in front of or behind one face, all alike. */
export interface FanSet {
  readonly component: ComponentId;
  readonly part: FanPart;
  readonly curve: FanCurve;
  readonly count: number;
  readonly speed_rpm: number;
}

export interface RadiatorSetup {
  readonly id: ComponentId;
  readonly loop: LoopId;
  readonly part: RadiatorPart;
  readonly core: Core;
  readonly sections: number;
  readonly air: AirWay;
  /** The chamber of the case it blows into or draws from. */
  readonly chamber: string;
  /** Fans pushing and pulling in a row, one entry a face. */
  readonly fans: readonly FanSet[];
  /** Filter and grille, and what stands before the air's way, Pa at 1 m/s. */
  readonly filterLoss_Pa: number;
}

export interface CaseFans {
  readonly set: FanSet;
  readonly air: AirWay;
  readonly chamber: string;
  readonly filterLoss_Pa: number;
}

export interface Source {
  readonly component: Component;
  readonly part: HeatedPart;
  /**
   * The block on it, and the loop that block is in. A block in no loop yet: the heat waits, it is
   * neither in a loop nor on air.
   */
  readonly block: Component | null;
  readonly loop: LoopId | null;
}

/**
 * All that makes heat, noise or wind, apart from the flow. What-if questions change this and ask
 * again.
 */
export interface ThermalModel {
  readonly system: System;
  readonly sources: readonly Source[];
  readonly radiators: readonly RadiatorSetup[];
  readonly caseFans: readonly CaseFans[];
  /** Chambers of the case, the main one first; none of an open frame. */
  readonly chambers: readonly string[];
  readonly openings: readonly AirOpening[];
  /** What the place makes of fans and cores. */
  readonly factors: InstallationFactors;
  /** What readings of this machine make of its radiators' heat; 1 as printed. */
  readonly measuredHere: number;
}

const curves = new WeakMap<FanPart, FanCurve>();
function curveOf(part: FanPart): FanCurve {
  let curve = curves.get(part);
  if (!curve) {
    curve = fanCurve(part.points, part.fullSpeed_rpm);
    curves.set(part, curve);
  }
  return curve;
}

const FIN_CONDUCTIVITY_WMK = { copper: 340, brass: 120, aluminium: 200 } as const;

/** The core of a radiator as the model needs it: fin length is its sections' length. */
export function coreOf(part: RadiatorPart, sections = part.sections): Core {
  const { core } = part;
  return {
    length_mm: part.section_mm * sections,
    width_mm: core.width_mm,
    depth_mm: core.depth_mm,
    fpi: core.fpi,
    finHeight_mm: core.finHeight_mm,
    finThickness_mm: core.finThickness_mm,
    tubeHeight_mm: core.tubeHeight_mm,
    tubeWall_mm: core.tubeWall_mm,
    finConductivity_WmK: FIN_CONDUCTIVITY_WMK[core.finMetal],
    passes: core.passes,
    finHeatFactor: core.finHeatFactor,
    finDragFactor: core.finDragFactor,
  };
}

function fanSet(component: Component, count: number): FanSet {
  const part = component.part as FanPart;
  const speed_rpm = turningSpeed(part, component.settings.speed_rpm);
  return { component: component.id, part, curve: curveOf(part), count, speed_rpm };
}

/** What stands before a mounted stack's air, Pa at 1 m/s by component. */
export type Blocked = ReadonlyMap<ComponentId, number>;

/**
 * All that makes heat, noise or wind, read from the system: blocks by what they are mated to, fans
 * by what they stand on.
 */
export function compileThermalModel(system: System, blocked: Blocked = new Map()): ThermalModel {
  const { components, brief, case: shell } = system.design;
  const { radiators: onRadiators, blocks } = factorsOf(system.design);
  const radiators = components.flatMap((c) => radiatorSetup(system, c, blocked) ?? []);
  const cooled = new Set(radiators.map((r) => r.id));
  const outside = air(brief.room_C, brief.altitude_m);
  return {
    system,
    sources: components.flatMap((component) => sourceOf(system, component, blocks) ?? []),
    radiators,
    caseFans: components.flatMap((c) => caseFansOf(system, c, cooled, blocked) ?? []),
    chambers: isOpenFrame(shell) ? [] : chambersOf(shell),
    openings: [
      ...openingsOf(system, outside.density_kgm3),
      ...radiators.flatMap((r) => uncovered(system, r, outside)),
    ],
    factors: INSTALLATION,
    measuredHere: onRadiators,
  };
}

/**
 * The same model with its components as another design of the same parts has them: named, for what
 * is shown.
 */
export const modelOf = (thermalModel: ThermalModel, system: System): ThermalModel => {
  // The parts stay: what was measured of the machine is in them.
  const now = (component: Component): Component => {
    const named = findComponent(system.design, component.id);
    return named ? { ...named, part: component.part } : component;
  };
  return {
    ...thermalModel,
    system,
    sources: thermalModel.sources.map((source) => ({
      ...source,
      component: now(source.component),
      block: source.block && now(source.block),
    })),
  };
};

function sourceOf(
  system: System,
  component: Component,
  measured: Factors['blocks'],
): Source | null {
  if (!isHeated(component.part)) return null;
  const block = blockOn(system, component);
  const loop = block ? (system.loopOf(block.id)?.loop.id ?? null) : null;
  const factor = block ? (measured[block.id] ?? 1) : 1;
  const { part } = component;
  if (block === null || factor === 1) return { component, part, block, loop };
  return { component, part: pastedBy(part, factor), block: resistingBy(block, factor), loop };
}

/** A part whose paste or pads resist so many times as much as printed. */
const pastedBy = <P extends HeatedPart>(part: P, factor: number): P => ({
  ...part,
  hotSpots: part.hotSpots.map((s) => ({ ...s, interface_KW: s.interface_KW * factor })),
});

/** A block whose metal and channels do. */
const resistingBy = (block: Component, factor: number): Component =>
  block.part.kind === 'block'
    ? {
        ...block,
        part: {
          ...block.part,
          resistance: block.part.resistance.map(([q, r]) => [q, r * factor] as const),
        },
      }
    : block;

/** The block on a part; of a board, also the one on its processor that reaches over to it. */
function blockOn({ design, mates }: System, component: Component): Component | null {
  const onIt = blocksOn(design, mates.standingOn(component.id));
  if (component.part.kind !== 'board') return onIt[0] ?? null;
  const processors = mates
    .standingOn(component.id)
    .filter((id) => findComponent(design, id)?.part.kind === 'processor');
  const reaching = processors
    .flatMap((id) => blocksOn(design, mates.standingOn(id)))
    .filter(({ part }) => part.kind === 'block' && part.cools.includes('board'));
  return firstIn(design, [...onIt, ...reaching]);
}

function blocksOn(design: Design, ids: readonly ComponentId[]): readonly Component[] {
  return ids.flatMap((id) => {
    const guest = findComponent(design, id);
    return guest?.part.kind === 'block' && guest.placement.on === 'component' ? [guest] : [];
  });
}

/** The one that comes first in the design. */
function firstIn(design: Design, found: readonly Component[]): Component | null {
  return design.components.find((component) => found.includes(component)) ?? null;
}

function radiatorSetup(
  system: System,
  { id, part, placement }: Component,
  blocked: Blocked,
): RadiatorSetup | null {
  if (part.kind !== 'radiator') return null;
  const loop = system.loopOf(id);
  if (!loop) return null;
  const fans = system.mates.standingOn(id).flatMap((fan) => {
    const guest = findComponent(system.design, fan);
    const places = Math.min(guest?.settings.pieces ?? part.sections, part.sections);
    return guest?.part.kind === 'fan' ? [fanSet(guest, places)] : [];
  });
  // What no fan covers is left out: still air takes a tenth or less of what a fan takes.
  const covered = Math.min(part.sections, ...fans.map((f) => f.count));
  return {
    id,
    loop: loop.loop.id,
    part,
    core: coreOf(part, covered),
    sections: covered,
    fans: fans.map((f) => ({ ...f, count: covered })),
    ...airOf(system, id, placement),
    filterLoss_Pa: lossBefore(system, id, placement, blocked),
  };
}

const mountOf = ({ components, case: box }: Design, id: ComponentId) => {
  const placement = components.find((c) => c.id === id)?.placement;
  return placement?.on === 'mount' ? box?.mounts.find((x) => x.id === placement.mount) : undefined;
};

/**
 * What no fan covers of a radiator between the case and the room: air finds its way through the core
 * there, with its drag at 1 m/s. The heat it would take on the way is left out: a tenth or less of
 * what a section with a fan takes.
 */
function uncovered(
  { design }: System,
  r: RadiatorSetup,
  outside: FluidProperties,
): readonly AirOpening[] {
  const bare = r.part.sections - r.sections;
  if (bare <= 0 || r.air === 'within') return [];
  const { linear, square } = coreDragTerms(coreOf(r.part, bare), outside);
  const area_cm2 = (bare * r.part.section_mm * r.part.core.width_mm) / 100;
  const loss_Pa = linear + square + (r.filterLoss_Pa * outside.density_kgm3) / STANDARD_AIR_KGM3;
  return [
    {
      id: `uncovered:${r.id}`,
      name: msg`${mountOf(design, r.id)?.name ?? msg`Radiator`}, radiator beside its fans`,
      from: ROOM_AIR,
      to: r.chamber,
      area_cm2,
      square: faceSquare(loss_Pa, area_cm2),
    },
  ];
}

/**
 * Fans on a mount of the case; also those of a radiator that no loop goes through yet: they still
 * move air.
 */
function caseFansOf(
  system: System,
  component: Component,
  cooled: ReadonlySet<ComponentId>,
  blocked: Blocked,
): CaseFans | null {
  const { part, placement } = component;
  if (part.kind !== 'fan') return null;
  const stack =
    placement.on === 'radiator' ? findComponent(system.design, placement.component) : component;
  if (stack?.placement.on !== 'mount' || cooled.has(stack.id)) return null;
  return {
    set: fanSet(component, system.placed.get(component.id)?.count ?? 1),
    air: stack.placement.air,
    chamber: chamberOf(system, stack.placement),
    filterLoss_Pa: lossBefore(system, stack.id, stack.placement, blocked),
  };
}

/** Through its mount to or from the room; standing free, a radiator breathes the air it stands in. */
function airOf(
  system: System,
  id: ComponentId,
  placement: Placement,
): Pick<RadiatorSetup, 'air' | 'chamber'> {
  if (placement.on === 'mount')
    return { air: placement.air, chamber: chamberOf(system, placement) };
  return { air: 'within', chamber: airAround(system, id) };
}

/** The air a free part stands in: the room's outside, the chamber it is in else. */
export function airAround(system: System, id: ComponentId): string {
  const { design } = system;
  const room = roomOf(system, id);
  if (room === 'outside') return ROOM_AIR;
  const back = design.case?.air?.behind;
  return room === 'behind' && back !== undefined && chambersOf(design.case).includes(back)
    ? back
    : MAIN_CHAMBER;
}

/** The chamber that a mount of the case opens into. */
function chamberOf({ design: { case: shell } }: System, placement: Placement): string {
  const mount =
    placement.on === 'mount' ? shell?.mounts.find((m) => m.id === placement.mount) : undefined;
  const named = mount?.chamber;
  return named !== undefined && chambersOf(shell).includes(named) ? named : MAIN_CHAMBER;
}

/** What grilles, filters and gaskets of a stack's fans take, Pa at 1 m/s; one behind the other. */
const layersBefore = ({ components }: Design, id: ComponentId): number =>
  components.reduce((sum, { id: own, placement, settings }) => {
    const isIts = own === id || (placement.on === 'radiator' && placement.component === id);
    return isIts ? sum + (settings.layers ?? []).reduce((s, l) => s + l.loss_Pa, 0) : sum;
  }, 0);

/** Filter and grille of its mount, and what stands before it. */
function lossBefore(
  { design }: System,
  id: ComponentId,
  placement: Placement,
  blocked: Blocked,
): number {
  const mount =
    placement.on === 'mount'
      ? design.case?.mounts.find((m) => m.id === placement.mount)
      : undefined;
  return (mount?.filterLoss_Pa ?? 0) + (blocked.get(id) ?? 0) + layersBefore(design, id);
}

/**
 * Full draw of a part as it is tuned, W. Clock and voltage go as P ∝ f V² (dynamic power of CMOS,
 * any textbook; leakage left out, so an estimate); a typed power limit caps that, or stands alone
 * where nothing was tuned.
 */
export function drawOf({
  component: { settings },
  part,
}: Pick<Source, 'component' | 'part'>): number {
  const { clock, voltage, powerDraw_W: draw_W } = settings;
  if (clock === undefined && voltage === undefined) return draw_W ?? part.draw_W;
  return Math.min(draw_W ?? Infinity, part.draw_W * (clock ?? 1) * (voltage ?? 1) ** 2);
}

/** Share of the full draw in a load case: the builder's where set, else the part's. */
export function shareOf(
  { component: { settings }, part }: Pick<Source, 'component' | 'part'>,
  load: LoadCaseId,
): number {
  return load === 'custom'
    ? (settings.customShare ?? settings.shares?.gaming ?? part.shares.gaming)
    : (settings.shares?.[load] ?? part.shares[load]);
}

/** Heat of a part in a load case, W. */
export const sourceHeat = (source: Source, load: LoadCaseId): number =>
  drawOf(source) * shareOf(source, load);
