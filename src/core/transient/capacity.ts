import { drawOf, type RadiatorSetup, type Source } from '../thermal';
import type { FluidProperties } from '../fluids';
import type { FluidLink, LoopGraph } from '../system';
import type { BlockPart } from '../components';

/**
 * Heat capacities, J/K. No catalogue gives masses, so metal is estimated from size: copper and
 * brass of a core 0.8 g to the cm³ of its bulk, a block a third full of copper (common practice, no
 * source). Specific heat of copper 385 J/(kg K), CRC Handbook, from memory.
 */
const COPPER_JKGK = 385,
  COPPER_GCM3 = 8.96;
const CORE_GCM3 = 0.8,
  BLOCK_FILL = 1 / 3;
/**
 * An air cooler and what it stands on, J/K to the watt of its part's full draw (common practice, no
 * source).
 */
const AIR_COOLER_JKW = 2.5;

const cm3 = (size: readonly number[]): number => size.reduce((a, b) => a * b, 1) / 1000;
const perMl = (fluid: FluidProperties): number =>
  (fluid.density_kgm3 * fluid.heatCapacity_JkgK) / 1e6;

/** Of a block's metal, J/K. */
export const blockCapacity = (part: BlockPart): number =>
  (cm3(part.size) * BLOCK_FILL * COPPER_GCM3 * COPPER_JKGK) / 1000;

export const airCoolerCapacity = (source: Source): number =>
  Math.max(20, AIR_COOLER_JKW * drawOf(source));

/** Of a radiator's metal, J/K. */
const coreMetal = ({ core }: RadiatorSetup): number =>
  (cm3([core.length_mm, core.width_mm, core.depth_mm]) * CORE_GCM3 * COPPER_JKGK) / 1000;

/**
 * Of one link: its coolant, a core's metal, and a reservoir's fill where the link leaves it. A
 * block's metal stands apart.
 */
export function linkCapacity(
  link: FluidLink,
  graph: LoopGraph,
  volume_mL: number,
  radiators: readonly RadiatorSetup[],
  fluid: FluidProperties,
  standing: ReadonlyMap<string, number>,
): number {
  const water = perMl(fluid);
  let capacity = volume_mL * water;
  const radiator = radiators.find((r) => r.id === link.component);
  if (radiator) capacity += coreMetal(radiator) / (link.part?.passages.length ?? 1);
  const fill = standing.get(link.from);
  if (fill !== undefined)
    capacity +=
      (fill * water) / Math.max(1, graph.links.filter((e) => e.from === link.from).length);
  return Math.max(LEAST_JK, capacity);
}

/** A joint holds next to nothing; a little keeps the equations sound. */
const LEAST_JK = 0.5;
