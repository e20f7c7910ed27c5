import { arcLength, onArc, radiusAt, setBack, type BendRadii, type Segment } from '../tubing';
import { add, cross, dot, norm, scale, sub, unit, type Vec } from '../geometry';

const DEGREES = 180 / Math.PI;
const STRAIGHT_DEG = 1e-6;

/** Angle between two ways, degrees. */
export const turnBetween = (a: Vec, b: Vec): number =>
  Math.atan2(norm(cross(a, b)), dot(a, b)) * DEGREES;

/**
 * A polyline with its corners rounded, each to its radius: lines and arcs that meet smoothly.
 * Corners in line make none.
 */
export function roundedPath(corners: readonly Vec[], radii: BendRadii): readonly Segment[] {
  const out: Segment[] = [];
  let from = corners[0] as Vec;
  for (let i = 1; i + 1 < corners.length; i += 1) {
    const corner = corners[i] as Vec,
      d0 = unit(sub(corner, corners[i - 1] as Vec)),
      d1 = unit(sub(corners[i + 1] as Vec, corner));
    const angle_deg = turnBetween(d0, d1);
    if (angle_deg < STRAIGHT_DEG) continue;
    const radius = radiusAt(radii, i - 1);
    const back = setBack(radius, angle_deg),
      start = sub(corner, scale(d0, back)),
      end = add(corner, scale(d1, back));
    const axis = unit(cross(d0, d1)),
      centre = add(start, scale(cross(axis, d0), radius));
    if (norm(sub(start, from)) > 1e-9) out.push({ kind: 'line', from, to: start });
    out.push({ kind: 'arc', from: start, to: end, centre, radius, axis, angle_deg });
    from = end;
  }
  const last = corners[corners.length - 1] as Vec;
  if (norm(sub(last, from)) > 1e-9) out.push({ kind: 'line', from, to: last });
  return out;
}

export const pathLength = (path: readonly Segment[]): number =>
  path.reduce(
    (s, p) => s + (p.kind === 'line' ? norm(sub(p.to, p.from)) : arcLength(p.radius, p.angle_deg)),
    0,
  );

/** Points along a path no farther apart than `step`, ends included. */
export function samplePath(path: readonly Segment[], step: number): readonly Vec[] {
  const points: Vec[] = path[0] ? [path[0].from] : [];
  for (const s of path) {
    const length = s.kind === 'line' ? norm(sub(s.to, s.from)) : arcLength(s.radius, s.angle_deg),
      n = Math.max(1, Math.ceil(length / step));
    for (let i = 1; i <= n; i += 1)
      points.push(
        s.kind === 'line' ? add(s.from, scale(sub(s.to, s.from), i / n)) : onArc(s, i / n),
      );
  }
  return points;
}

/** The place so far along a line of points, mm, and the way it goes there; beyond an end that end. */
export function placeAlong(
  points: readonly Vec[],
  at_mm: number,
): { readonly at: Vec; readonly direction: Vec } {
  let left = at_mm;
  for (let i = 1; i < points.length; i += 1) {
    const [a, b] = [points[i - 1] as Vec, points[i] as Vec];
    const way = sub(b, a),
      long = norm(way);
    if (long > 0 && (left <= long || i === points.length - 1)) {
      return { at: add(a, scale(way, Math.min(1, left / long))), direction: scale(way, 1 / long) };
    }
    left -= long;
  }
  return { at: points[0] as Vec, direction: [1, 0, 0] };
}
