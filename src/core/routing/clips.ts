import { clipCount, type RunInSpace } from '../tubing';
import { pathLength, placeAlong, samplePath } from './path';
import type { Route } from './routed';

/** Points of a route looked at, so far apart, mm. */
const STEP_MM = 2;

/** Places of so many clips as the tube's length asks for, in equal parts of its route. */
export function clipsAlong({ path }: Pick<Route, 'path'>, cut_mm: number): RunInSpace['clips'] {
  const points = samplePath(path, STEP_MM),
    part_mm = pathLength(path) / clipCount(cut_mm);
  return Array.from({ length: clipCount(cut_mm) }, (_, i) => {
    const { at, direction } = placeAlong(points, (i + 0.5) * part_mm);
    return { at, along: direction };
  });
}
