import { add, distance, scale, sub, unit, type Vec } from '../geometry';
import { clipCount, type RunInSpace } from '../tubing';
import { samplePath } from './path';
import type { Route } from './routed';

/** Points of a route looked at, so far apart, mm. */
const STEP_MM = 2;

/** Places of so many clips as the tube's length asks for, in equal parts of its route. */
export function clipsAlong({ path }: Pick<Route, 'path'>, cut_mm: number): RunInSpace['clips'] {
  const points = samplePath(path, STEP_MM),
    count = clipCount(cut_mm);
  const legs = points.slice(1).map((to, i) => ({ from: points[i] as Vec, to }));
  const length_mm = legs.reduce((sum, { from, to }) => sum + distance(from, to), 0);
  return Array.from({ length: count }, (_, i) => {
    let left = ((i + 0.5) / count) * length_mm;
    const leg = legs.find(({ from, to }) => {
      const long = distance(from, to);
      if (left <= long) return true;
      left -= long;
      return false;
    });
    return leg ? [clipOn(leg, left)] : [];
  }).flat();
}

function clipOn(
  { from, to }: { readonly from: Vec; readonly to: Vec },
  along_mm: number,
): RunInSpace['clips'][number] {
  const along = unit(sub(to, from));
  return { at: add(from, scale(along, along_mm)), along };
}
