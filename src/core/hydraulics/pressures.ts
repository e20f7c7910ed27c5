import { type ComponentId } from '../design';
import { standardPressure } from '../fluids';
import type { FluidProperties } from '../fluids';
import { heightOf, type FluidNode, type LoopGraph, type System } from '../system';
import { GRAVITY_MS2 } from '../units';

/** Pressure where the coolant passes one chamber of one part. */
export interface NodePressure {
  readonly node: string;
  readonly component: ComponentId;
  /** What pump and losses make of it, against the reservoir, kPa; heights left out. */
  readonly relative_kPa: number;
  /** Height over the case's floor, mm; null while the part has no place. */
  readonly height_mm: number | null;
  /** What the coolant standing over it adds (or takes), kPa. */
  readonly height_kPa: number;
  /** Against vacuum: air on the reservoir, plus both. */
  readonly absolute_kPa: number;
}

export interface LoopPressures {
  /** Air pressure on the reservoir, kPa: standard atmosphere at the brief's altitude. */
  readonly air_kPa: number;
  /** Height of the surface in the reservoir, mm. */
  readonly surface_mm: number | null;
  readonly nodes: readonly NodePressure[];
  readonly lowest: NodePressure | null;
}

/**
 * Pressures round a loop. The surface is taken to stand at the reservoir's highest port. Total
 * pressures: in a bore the moving coolant presses by ρ v²/2 less, under 1 kPa in a loop.
 */
export function loopPressures(
  system: System,
  graph: LoopGraph,
  fluid: FluidProperties,
  pressures: ReadonlyMap<string, number>,
): LoopPressures {
  const nodeHeight = ({ component, chamber }: FluidNode): number | null => {
    const ports = system.placed.get(component)?.ports ?? [];
    const own = ports.filter((p) => p.port.chamber === chamber);
    const used = own.length > 0 ? own : ports;
    return used.length === 0
      ? null
      : used.reduce((s, p) => s + heightOf(system, p.at), 0) / used.length;
  };
  const tanks = graph.stations.filter((s) => system.placed.get(s)?.part.kind === 'reservoir');
  const tops = (system.placed.get(tanks[0] ?? '')?.ports ?? []).map((p) => heightOf(system, p.at));
  const surface_mm = tops.length > 0 ? Math.max(...tops) : null;
  const air_kPa = standardPressure(system.design.brief.altitude_m) / 1000;
  const nodes = [...graph.nodes.values()]
    .filter((node) => pressures.has(node.id))
    .map((node): NodePressure => {
      const { id, component } = node;
      const relative_kPa = pressures.get(id) ?? 0;
      const open = tanks.includes(component);
      const height_mm = open ? surface_mm : nodeHeight(node);
      const height_kPa =
        surface_mm === null || height_mm === null
          ? 0
          : (fluid.density_kgm3 * GRAVITY_MS2 * (surface_mm - height_mm)) / 1e6;
      return {
        node: id,
        component,
        relative_kPa,
        height_mm,
        height_kPa,
        absolute_kPa: air_kPa + relative_kPa + height_kPa,
      };
    });
  return {
    air_kPa,
    surface_mm,
    nodes,
    lowest: nodes.reduce<NodePressure | null>(
      (a, b) => (a && a.absolute_kPa <= b.absolute_kPa ? a : b),
      null,
    ),
  };
}
