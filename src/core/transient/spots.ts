import type { ThermalModel, Source } from '../thermal';
import type { Machine } from './machine';

/** A place of a part that is watched. */
export interface Spot {
  readonly source: Source;
  /** Its part among the setup's sources. */
  readonly index: number;
  readonly hotSpot: Source['part']['hotSpots'][number];
  readonly limit_C: number;
  /** °C now, under the parts' heats in W by source; NaN under a block that no loop serves. */
  temp(heat_W: Float64Array): number;
}

export function spotsOf(thermalModel: ThermalModel, machine: Machine): readonly Spot[] {
  const most_C = thermalModel.system.design.brief.limits.part_C ?? Infinity;
  return thermalModel.sources.flatMap((source, index) => {
    const metal = metalOf(machine, index);
    return source.part.hotSpots.map((hotSpot): Spot => ({
      source,
      index,
      hotSpot,
      limit_C: Math.min(hotSpot.limit_C, most_C),
      temp: metal(hotSpot),
    }));
  });
}

/** How a part's spots are read: over its cooler and the case air, or over its block's metal. */
function metalOf(
  { coolers, loops, state }: Machine,
  source: number,
): (hotSpot: Spot['hotSpot']) => Spot['temp'] {
  const cooler = coolers.findIndex((c) => c.source === source);
  if (cooler >= 0)
    return ({ onAir_KW }) =>
      () =>
        state.caseAir_C + state.coolerHeat(cooler) * onAir_KW;
  const loop = loops.findIndex((l) => l.lumped.bodies.some((b) => b.source === source));
  const body = loops[loop]?.lumped.bodies.findIndex((b) => b.source === source) ?? -1;
  if (body >= 0)
    return ({ interface_KW }) =>
      (heat_W) =>
        state.bodyAt(loop, body) + (heat_W[source] as number) * interface_KW;
  return () => () => NaN;
}
