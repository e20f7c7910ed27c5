import { extentOf, type PlacedComponent, type System } from '@/core/system';
import { union, type Box, type Vec } from '@/core/geometry';

/** Parts that are drawn wholly apart stand so many times as far from the middle. */
const APART = 0.9;

/** How far a part stands out of its place, from the middle of the machine outwards. */
export function shiftApart(
  { solids }: Pick<PlacedComponent, 'solids'>,
  whole: Box,
  apart: number,
): [number, number, number] {
  if (apart === 0 || solids.length === 0) return [0, 0, 0];
  const own = union(solids.map((b) => b.box));
  return ([0, 1, 2] as const).map(
    (i) => ((own.min[i] + own.max[i] - whole.min[i] - whole.max[i]) / 2) * apart * APART,
  ) as [number, number, number];
}

/** All that is to be seen of a machine whose parts stand so far apart, 0 to 1. */
export function extentApart(system: System, apart: number): Box {
  const whole = extentOf(system);
  if (apart === 0) return whole;
  const boxes = [...system.placed.values()].flatMap((p): readonly Box[] => {
    if (p.solids.length === 0) return [];
    const by = shiftApart(p, whole, apart);
    const own = union(p.solids.map((b) => b.box));
    const moved = (v: Vec): Vec => [v[0] + by[0], v[1] + by[1], v[2] + by[2]];
    return [{ min: moved(own.min), max: moved(own.max) }];
  });
  return union([whole, ...boxes]);
}
