import { add, cross, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import { msg } from '../messages';

const RADIANS = Math.PI / 180;

/** How far before the corner a bend starts, mm: R tan(θ/2). Radius in mm ≥ 0, angle 0–179°. */
export function setBack(radius_mm: number, angle_deg: number): number {
  return radius_mm * Math.tan((angle_deg / 2) * RADIANS);
}

/** Length of tube in a bend, mm: R θ. */
export function arcLength(radius_mm: number, angle_deg: number): number {
  return radius_mm * angle_deg * RADIANS;
}

/**
 * Distance of the bend start from the end of the tube when the corner is measured, mm. 101.6 mm to
 * the corner, 12.7 mm radius, 90°: 88.9 mm.
 */
export function bendStart(toCorner_mm: number, radius_mm: number, angle_deg: number): number {
  return toCorner_mm - setBack(radius_mm, angle_deg);
}

/** Length to cut: the legs measured to the corners, less two set-backs a bend, plus the arcs. */
export function developedLength(
  legs_mm: number,
  bends: readonly { readonly radius_mm: number; readonly angle_deg: number }[],
): number {
  return bends.reduce(
    (sum, b) => sum - 2 * setBack(b.radius_mm, b.angle_deg) + arcLength(b.radius_mm, b.angle_deg),
    legs_mm,
  );
}

/** Radius of all bends of a tube, or of each by its corner in order, mm. */
export type BendRadii = number | readonly number[];

/** Radius at a corner, counted from the first bend. */
export const radiusAt = (radii: BendRadii, bend: number): number =>
  typeof radii === 'number' ? radii : (radii[bend] as number);

/**
 * One row of a bending table: straight before the bend, turn of the tube before it (right-hand
 * about travel), bend angle, radius of its middle line.
 */
export interface BendRow {
  readonly length_mm: number;
  readonly rotation_deg: number;
  readonly angle_deg: number;
  readonly radius_mm: number;
  /** Which corner between the ends it rounds, from 0: corners in line are no bends. */
  readonly corner: number;
}

export interface BendTable {
  readonly rows: readonly BendRow[];
  readonly last_mm: number;
  readonly developed_mm: number;
  /** False when a straight between two bends comes out negative: the bends would overlap. */
  readonly feasible: boolean;
  readonly shortest_mm: number;
}

/**
 * Corners (XYZ) to lengths, rotations and angles (LRA); radii by corner, where they differ. Points
 * in line are dropped. Throws RangeError below two points.
 */
export function bendTable(points: readonly Vec[], radii: BendRadii): BendTable {
  const turns = points.map((p, i) => {
    const before = points[i - 1],
      after = points[i + 1];
    return !before || !after || norm(cross(unit(sub(p, before)), unit(sub(after, p)))) > 1e-9;
  });
  const kept = points.filter((_, i) => turns[i]);
  const cornerOf = points.flatMap((_, i) => (turns[i] ? [i - 1] : []));
  if (kept.length < 2) throw new RangeError(msg`a tube needs two points or more`);
  const legs = kept.slice(1).map((p, i) => sub(p, kept[i] as Vec));
  const directions = legs.map(unit);
  const rows: BendRow[] = [];
  let before = 0,
    shortest = Infinity;
  for (let i = 0; i + 1 < legs.length; i += 1) {
    const d0 = directions[i] as Vec,
      d1 = directions[i + 1] as Vec;
    const angle_deg = Math.atan2(norm(cross(d0, d1)), dot(d0, d1)) / RADIANS;
    const corner = cornerOf[i + 1] as number,
      radius_mm = radiusAt(radii, corner);
    const back = setBack(radius_mm, angle_deg);
    const length_mm = norm(legs[i] as Vec) - before - back;
    rows.push({
      length_mm,
      rotation_deg: i === 0 ? 0 : rotation(directions[i - 1] as Vec, d0, d1),
      angle_deg,
      radius_mm,
      corner,
    });
    shortest = Math.min(shortest, length_mm);
    before = back;
  }
  const last_mm = norm(legs[legs.length - 1] as Vec) - before;
  const arcs = rows.reduce((sum, r) => sum + arcLength(r.radius_mm, r.angle_deg), 0);
  shortest = Math.min(shortest, last_mm);
  return {
    rows,
    last_mm,
    developed_mm: rows.reduce((s, r) => s + r.length_mm, last_mm) + arcs,
    feasible: shortest >= 0,
    shortest_mm: shortest,
  };
}

/** Turn between two bend planes about the leg they share, −180 < r ≤ 180. */
function rotation(d0: Vec, d1: Vec, d2: Vec): number {
  const n1 = unit(cross(d0, d1)),
    n2 = unit(cross(d1, d2));
  const r = Math.atan2(dot(d1, cross(n1, n2)), dot(n1, n2)) / RADIANS;
  return r <= -180 + 1e-9 ? 180 : r;
}

/**
 * Where a bent tube begins: its first end, the way it leaves it, and the way its first bend turns
 * (at a right angle to that).
 */
export interface BendPose {
  readonly at: Vec;
  readonly direction: Vec;
  readonly towards: Vec;
}

/**
 * Lengths, rotations and angles back to corners (XYZ): the inverse of bendTable. Rotations are
 * right-handed about the travel.
 */
export function bendCorners(
  rows: readonly Omit<BendRow, 'corner'>[],
  last_mm: number,
  pose: BendPose,
): readonly Vec[] {
  let d = unit(pose.direction),
    n = unit(cross(d, pose.towards)),
    at = pose.at,
    before = 0;
  const corners: Vec[] = [at];
  rows.forEach((row, i) => {
    if (i > 0) n = turned(n, d, row.rotation_deg);
    const back = setBack(row.radius_mm, row.angle_deg);
    at = add(at, scale(d, before + row.length_mm + back));
    corners.push(at);
    d = turned(d, n, row.angle_deg);
    before = back;
  });
  return [...corners, add(at, scale(d, before + last_mm))];
}

/** A vector turned right-handed about a unit axis (Rodrigues' formula). */
function turned(v: Vec, axis: Vec, angle_deg: number): Vec {
  const t = angle_deg * RADIANS,
    c = Math.cos(t);
  return add(
    add(scale(v, c), scale(cross(axis, v), Math.sin(t))),
    scale(axis, dot(axis, v) * (1 - c)),
  );
}
