import type { Component } from '../design';
import type { System } from '../system';
import {
  isHeated,
  type FanPart,
  type HeatedPart,
  type LoadCaseId,
  type Mount,
  type RadiatorPart,
} from '../components';
import { fanCurve, type FanCurve } from './fan';
import { INSTALLATION, type Core, type InstallationFactors } from './radiator';

export type AirWay = 'in' | 'out';

/** Fans in front of or behind one face, all alike. */
export interface FanSet {
  readonly component: string;
  readonly part: FanPart;
  readonly curve: FanCurve;
  readonly count: number;
  readonly speed_rpm: number;
}

export interface RadiatorSetup {
  readonly id: string;
  readonly loop: string;
  readonly part: RadiatorPart;
  readonly core: Core;
  readonly sections: number;
  readonly air: AirWay;
  /** Fans pushing and pulling in a row, one entry a face. */
  readonly fans: readonly FanSet[];
  /** Filter and grille, and what stands before the air's way, Pa at 1 m/s. */
  readonly filterLoss_Pa: number;
}

export interface CaseFans {
  readonly set: FanSet;
  readonly air: AirWay;
  readonly filterLoss_Pa: number;
}

export interface Source {
  readonly component: Component;
  readonly part: HeatedPart;
  /** The block on it, and the loop that block is in. A block in no loop yet: the heat waits, it is neither in a loop nor on air. */
  readonly block: Component | null;
  readonly loop: string | null;
}

/** All that makes heat, noise or wind, apart from the flow. What-if questions change this and ask again. */
export interface ThermalModel {
  readonly system: System;
  readonly sources: readonly Source[];
  readonly radiators: readonly RadiatorSetup[];
  readonly caseFans: readonly CaseFans[];
  /** What the place makes of fans and cores. */
  readonly factors: InstallationFactors;
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
  const wanted = component.settings.speed_rpm ?? part.fullSpeed_rpm;
  const speed_rpm =
    wanted <= 0 ? 0 : Math.min(part.fullSpeed_rpm, Math.max(part.minSpeed_rpm, wanted));
  return { component: component.id, part, curve: curveOf(part), count, speed_rpm };
}

/** `blocked`: what stands before a mounted stack's air, Pa at 1 m/s by component. */
export function compileThermalModel(
  system: System,
  blocked: ReadonlyMap<string, number> = new Map(),
): ThermalModel {
  const { components } = system.design;
  const mountOf = (component: Component): Mount | undefined => {
    const p = component.placement;
    return p.on === 'mount' ? system.design.case?.mounts.find((m) => m.id === p.mount) : undefined;
  };
  const loopOf = (id: string): string | null =>
    system.loops.find((g) => g.edges.some((e) => e.component?.id === id))?.loop.id ?? null;
  const blocks = components.filter(
    (i) => i.part.kind === 'block' && i.placement.on === 'component',
  );
  const sources = components.flatMap((component): Source[] => {
    if (!isHeated(component.part)) return [];
    const { kind } = component.part;
    const block =
      blocks.find((b) => {
        if (b.part.kind !== 'block' || b.placement.on !== 'component') return false;
        return (
          b.placement.component === component.id ||
          (kind === 'board' &&
            b.part.cools.includes('board') &&
            hostIs(components, b.placement.component, 'processor'))
        );
      }) ?? null;
    const loop = block ? loopOf(block.id) : null;
    return [{ component, part: component.part, block, loop }];
  });
  const radiators = components.flatMap((component): RadiatorSetup[] => {
    if (component.part.kind !== 'radiator') return [];
    const { part, placement } = component;
    const loop = loopOf(component.id);
    if (!loop) return [];
    const fans = components
      .filter(
        (f) =>
          f.part.kind === 'fan' &&
          f.placement.on === 'radiator' &&
          f.placement.component === component.id,
      )
      .map((f) => fanSet(f, part.sections));
    return [
      {
        id: component.id,
        loop,
        part,
        core: coreOf(part),
        sections: part.sections,
        fans,
        air: placement.on === 'mount' ? placement.air : 'in',
        filterLoss_Pa: (mountOf(component)?.filterLoss_Pa ?? 0) + (blocked.get(component.id) ?? 0),
      },
    ];
  });
  const bare = components.flatMap((component): CaseFans[] => {
    if (component.part.kind !== 'fan') return [];
    // Fans of a radiator that no loop goes through yet still move air.
    if (component.placement.on === 'radiator') {
      const { component: on } = component.placement;
      const host = components.find((i) => i.id === on);
      if (!host || host.placement.on !== 'mount' || radiators.some((r) => r.id === on)) return [];
      return [
        {
          set: fanSet(component, system.placed.get(component.id)?.count ?? 1),
          air: host.placement.air,
          filterLoss_Pa: (mountOf(host)?.filterLoss_Pa ?? 0) + (blocked.get(host.id) ?? 0),
        },
      ];
    }
    if (component.placement.on !== 'mount') return [];
    return [
      {
        set: fanSet(component, system.placed.get(component.id)?.count ?? 1),
        air: component.placement.air,
        filterLoss_Pa: (mountOf(component)?.filterLoss_Pa ?? 0) + (blocked.get(component.id) ?? 0),
      },
    ];
  });
  return { system, sources, radiators, caseFans: bare, factors: INSTALLATION };
}

const hostIs = (components: readonly Component[], id: string, kind: string): boolean =>
  components.find((i) => i.id === id)?.part.kind === kind;

/**
 * Full draw of a part as it is tuned, W. Clock and voltage go as P ∝ f V² (dynamic power of CMOS, any textbook; leakage left out, so an
 * estimate); a typed power limit caps that, or stands alone where nothing was tuned.
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
