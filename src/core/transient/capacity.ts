import type { BlockPart, CasePart, RadiatorPart, WetPart } from '../components';
import type { FluidProperties } from '../fluids';
import type { FluidLink, LoopGraph, System } from '../system';
import { drawOf, type RadiatorSetup, type Source } from '../thermal';

/**
 * Heat capacities, J/K. No catalogue gives masses, so solids are estimated from size (common
 * practice, no source): copper and brass of a core 0.8 g to the cm³ of its bulk, tanks and frame of
 * a radiator 0.6 g to the cm³ around it, a block a third full of copper, bodies of pumps, reservoirs
 * and fittings 0.6 g to the cm³. Specific heats: copper 385, brass 380, plastics about 1,400 J/(kg
 * K) (CRC Handbook, from memory).
 */
const COPPER_JKGK = 385,
  BRASS_JKGK = 380,
  PLASTIC_JKGK = 1400,
  COPPER_GCM3 = 8.96;
const CORE_GCM3 = 0.8,
  TANK_GCM3 = 0.6,
  BODY_GCM3 = 0.6,
  BLOCK_FILL = 1 / 3;
/** Of a volume of sheet, J/(m³ K): steel 7,850 × 490, glass 2,500 × 840 (CRC Handbook, from memory). */
const STEEL_JM3K = 3.85e6,
  GLASS_JM3K = 2.1e6;
/** A side this thick is glass; a sheet that is not given is this thick, mm. */
const GLASS_FROM_MM = 3,
  SHEET_MM = 1;
/**
 * An air cooler and what it stands on, J/K to the watt of its part's full draw (common practice, no
 * source).
 */
const AIR_COOLER_JKW = 2.5;

const cm3 = (size: readonly number[]): number => size.reduce((a, b) => a * b, 1) / 1000;

/** Heat a mL of coolant holds, J/K. */
export const perMl = (fluid: FluidProperties): number =>
  (fluid.density_kgm3 * fluid.heatCapacity_JkgK) / 1e6;

/** Of a block's metal, J/K. */
export const blockCapacity = (part: BlockPart): number =>
  (cm3(part.size) * BLOCK_FILL * COPPER_GCM3 * COPPER_JKGK) / 1000;

export const airCoolerCapacity = (source: Source): number =>
  Math.max(20, AIR_COOLER_JKW * drawOf(source));

/** Of a radiator: fins and tubes of its core, tanks and frame around it. */
export function radiatorCapacity(part: RadiatorPart, core: RadiatorSetup['core']): number {
  const core_cm3 = cm3([core.length_mm, core.width_mm, core.depth_mm]);
  const around_cm3 = Math.max(0, cm3(part.size) - core_cm3);
  return (core_cm3 * CORE_GCM3 * COPPER_JKGK + around_cm3 * TANK_GCM3 * BRASS_JKGK) / 1000;
}

/** Of a body that holds coolant, J/K: what of its bulk is not coolant. */
export const bodyCapacity = (part: WetPart): number =>
  'size' in part
    ? (Math.max(0, cm3(part.size) - part.volume_mL) * BODY_GCM3 * PLASTIC_JKGK) / 1000
    : 0;

/** Of a case, J/K: its six sides, steel or glass. */
export function caseCapacity({ interior, panels_mm }: CasePart): number {
  const [x, y, z] = interior.map((mm) => mm / 1000) as [number, number, number];
  const sheet = (area_m2: number, side: keyof NonNullable<CasePart['panels_mm']>): number => {
    const thick_mm = panels_mm?.[side] ?? SHEET_MM;
    return area_m2 * (thick_mm / 1000) * (thick_mm >= GLASS_FROM_MM ? GLASS_JM3K : STEEL_JM3K);
  };
  return (
    sheet(x * y, 'side') +
    sheet(x * y, 'tray') +
    sheet(x * z, 'top') +
    sheet(x * z, 'bottom') +
    sheet(y * z, 'front') +
    sheet(y * z, 'rear')
  );
}

/** Of the bodies of reservoirs, J/K by the node their coolant stands at. */
export function vesselCapacities(
  { design }: System,
  { nodes }: LoopGraph,
): ReadonlyMap<string, number> {
  const met = [...nodes.values()];
  return new Map(
    met.flatMap((node) => {
      const part = design.components.find((c) => c.id === node.component)?.part;
      if (part?.kind !== 'reservoir') return [];
      const chambers = met.filter((n) => n.component === node.component).length;
      return [[node.id, bodyCapacity(part) / chambers] as const];
    }),
  );
}

/** What a link holds, J/K. A block's metal stands apart, between its part and the coolant. */
export interface LinkCapacity {
  readonly coolant_JK: number;
  readonly radiator_JK: number;
  readonly body_JK: number;
}

/**
 * Of one link: its coolant and what stands where it leaves, a radiator's metal, a body around it.
 */
export function linkCapacity(
  link: FluidLink,
  graph: LoopGraph,
  volume_mL: number,
  radiators: readonly RadiatorSetup[],
  fluid: FluidProperties,
  standing: ReadonlyMap<string, number>,
  vessels: ReadonlyMap<string, number>,
): LinkCapacity {
  const leaving = Math.max(1, graph.links.filter((e) => e.from === link.from).length);
  const stands_mL = (standing.get(link.from) ?? 0) / leaving;
  const vessel_JK = (vessels.get(link.from) ?? 0) / leaving;
  const radiator = radiators.find((r) => r.id === link.component);
  const passages = Math.max(1, link.part?.passages.length ?? 1);
  const isBody = link.part?.kind === 'pump' || link.part?.kind === 'inline';
  return {
    coolant_JK: Math.max(LEAST_JK, (volume_mL + stands_mL) * perMl(fluid)),
    radiator_JK: radiator ? radiatorCapacity(radiator.part, radiator.core) / passages : 0,
    body_JK: vessel_JK + (link.part && isBody ? bodyCapacity(link.part) / passages : 0),
  };
}

/** A joint holds next to nothing; a little keeps the equations sound. */
const LEAST_JK = 0.5;
