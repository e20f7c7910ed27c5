import { add, cross, dot, norm, scale, sub, unit, type Vec } from './vec';

/** A convex solid, known by how far it reaches: its farthest point in a direction. */
export interface Convex {
  readonly centre: Vec;
  support(direction: Vec): Vec;
}

/** A box at any angle: half its edges along three axes at right angles, mm. */
export const orientedBox = (centre: Vec, half: Vec, axes: readonly [Vec, Vec, Vec]): Convex => ({
  centre,
  support: (d) =>
    axes.reduce<Vec>(
      (at, axis, i) => add(at, scale(axis, (dot(d, axis) >= 0 ? 1 : -1) * (half[i] as number))),
      centre,
    ),
});

/** All points within a radius of the line between two, mm: a piece of tube. */
export const capsule = (from: Vec, to: Vec, radius_mm: number): Convex => ({
  centre: scale(add(from, to), 0.5),
  support: (d) => {
    const end = dot(d, to) >= dot(d, from) ? to : from;
    const size = norm(d);
    return size > 0 ? add(end, scale(d, radius_mm / size)) : end;
  },
});

/** A cylinder with flat ends, its axis in any direction, mm. */
export const slantedCylinder = (from: Vec, to: Vec, radius_mm: number): Convex => {
  const axis = unit(sub(to, from));
  return {
    centre: scale(add(from, to), 0.5),
    support: (d) => {
      const along = dot(d, axis);
      const end = along >= 0 ? to : from;
      const aside = sub(d, scale(axis, along));
      const size = norm(aside);
      return size > 1e-12 ? add(end, scale(aside, radius_mm / size)) : end;
    },
  };
};

/** How near a search comes, as a share of the distance; rounds it is given. */
const CLOSE = 1e-12;
const MOST_ROUNDS = 200;
/** Less than this apart they touch, mm. */
const TOUCHING_MM = 1e-9;

/**
 * Distance of two convex solids, mm; below 0 where they overlap: minus the shortest move that parts
 * them. Gilbert, Johnson and Keerthi (1988) on their difference, and expanding polytopes (van den
 * Bergen 2001) within it. To about 1e-6 of the distance; depths of round solids to 1e-4 mm.
 */
export function convexGap(a: Convex, b: Convex): number {
  const reach = (d: Vec): Vec => sub(a.support(d), b.support(scale(d, -1)));
  let simplex: readonly Vec[] = [];
  let nearest: Vec = sub(a.centre, b.centre);
  if (norm(nearest) < TOUCHING_MM) nearest = [1, 0, 0];
  for (let i = 0; i < MOST_ROUNDS; i += 1) {
    const w = reach(scale(nearest, -1));
    const size2 = dot(nearest, nearest);
    if (simplex.length > 0 && size2 - dot(nearest, w) <= CLOSE * size2) return Math.sqrt(size2);
    if (simplex.some((p) => norm(sub(p, w)) < TOUCHING_MM)) return Math.sqrt(size2);
    const found = nearestIn([...simplex, w]);
    simplex = found.simplex;
    nearest = found.at;
    if (simplex.length === 4 || norm(nearest) < TOUCHING_MM) return -depthIn(simplex, reach);
  }
  return norm(nearest);
}

interface Nearest {
  readonly at: Vec;
  /** The fewest corners whose hull holds it. */
  readonly simplex: readonly Vec[];
}

/** The point of a hull of up to four corners that is nearest to the origin. */
function nearestIn(corners: readonly Vec[]): Nearest {
  if (corners.length === 1) return { at: corners[0] as Vec, simplex: corners };
  if (corners.length === 4 && holdsOrigin(corners)) return { at: [0, 0, 0], simplex: corners };
  const inside = corners.length < 4 ? withinOwn(corners) : null;
  if (inside) return { at: inside, simplex: corners };
  return corners
    .map((_, out) => nearestIn(corners.filter((_c, i) => i !== out)))
    .reduce((x, y) => (dot(y.at, y.at) < dot(x.at, x.at) ? y : x));
}

/** The foot of the origin on the line or plane of the corners, where it lies between them. */
function withinOwn(corners: readonly Vec[]): Vec | null {
  const [a, b, c] = corners as readonly [Vec, Vec, Vec?];
  const ab = sub(b, a);
  if (c === undefined) {
    const length2 = dot(ab, ab);
    if (length2 === 0) return null;
    const t = -dot(a, ab) / length2;
    return t >= 0 && t <= 1 ? add(a, scale(ab, t)) : null;
  }
  const ac = sub(c, a);
  const d00 = dot(ab, ab),
    d01 = dot(ab, ac),
    d11 = dot(ac, ac),
    d20 = -dot(a, ab),
    d21 = -dot(a, ac);
  const area = d00 * d11 - d01 * d01;
  if (area <= 1e-18 * d00 * d11) return null;
  const v = (d11 * d20 - d01 * d21) / area,
    w = (d00 * d21 - d01 * d20) / area;
  return v >= 0 && w >= 0 && v + w <= 1 ? add(a, add(scale(ab, v), scale(ac, w))) : null;
}

/** Whether the origin lies within four corners: on the inner side of every face. */
function holdsOrigin(corners: readonly Vec[]): boolean {
  return corners.every((top, out) => {
    const [a, b, c] = corners.filter((_, i) => i !== out) as [Vec, Vec, Vec];
    const normal = cross(sub(b, a), sub(c, a));
    const side = dot(normal, sub(top, a));
    return side !== 0 && dot(normal, scale(a, -1)) / side >= 0;
  });
}

interface Face {
  readonly corners: readonly [Vec, Vec, Vec];
  readonly normal: Vec;
  readonly off: number;
}

/** A face with its normal outwards, away from a point within; null of one without area. */
function faceOf(corners: readonly [Vec, Vec, Vec], within: Vec): Face | null {
  const [a, b, c] = corners;
  const n = cross(sub(b, a), sub(c, a));
  const size = norm(n);
  if (size < 1e-14) return null;
  const normal = scale(n, (dot(n, sub(a, within)) >= 0 ? 1 : -1) / size);
  return { corners, normal, off: dot(normal, a) };
}

/** How much a hull may still grow in a direction and count as its end, mm. */
const GROWN_MM = 1e-6;

/** How deep the origin lies in the difference, mm: its hull is grown face by face, nearest first. */
function depthIn(simplex: readonly Vec[], reach: (d: Vec) => Vec): number {
  const corners = spread(simplex, reach);
  if (corners === null) return 0;
  const within = scale(
    corners.reduce<Vec>((s, p) => add(s, p), [0, 0, 0]),
    1 / corners.length,
  );
  let faces = corners.flatMap((_, out) => {
    const rest = corners.filter((_c, i) => i !== out) as unknown as [Vec, Vec, Vec];
    return faceOf(rest, within) ?? [];
  });
  for (let i = 0; i < MOST_ROUNDS && faces.length > 0; i += 1) {
    const near = faces.reduce((x, y) => (y.off < x.off ? y : x));
    const w = reach(near.normal);
    if (dot(w, near.normal) - near.off < GROWN_MM) return Math.max(0, near.off);
    faces = grown(faces, w, within);
  }
  return Math.max(0, Math.min(...faces.map((f) => f.off)));
}

/** Four corners of the difference that span a solid; null where it is flat. */
function spread(simplex: readonly Vec[], reach: (d: Vec) => Vec): readonly Vec[] | null {
  const directions: readonly Vec[] = [
    [1, 0, 0],
    [-1, 0, 0],
    [0, 1, 0],
    [0, -1, 0],
    [0, 0, 1],
    [0, 0, -1],
    [0.577, 0.577, 0.577],
    [-0.577, -0.577, -0.577],
  ];
  const pool = [...simplex, ...directions.map(reach)];
  let best: readonly Vec[] | null = null;
  let most = 1e-9;
  for (let i = 0; i < pool.length; i += 1)
    for (let j = i + 1; j < pool.length; j += 1)
      for (let k = j + 1; k < pool.length; k += 1)
        for (let l = k + 1; l < pool.length; l += 1) {
          const four = [pool[i], pool[j], pool[k], pool[l]] as [Vec, Vec, Vec, Vec];
          if (!holdsOrigin(four)) continue;
          const [a, b, c, d] = four;
          const volume = Math.abs(dot(cross(sub(b, a), sub(c, a)), sub(d, a)));
          if (volume > most) {
            most = volume;
            best = four;
          }
        }
  return best;
}

/** The hull with a point more: faces that see it go, and the rim left open is closed with it. */
function grown(faces: readonly Face[], w: Vec, within: Vec): Face[] {
  const seen = faces.filter((f) => dot(f.normal, w) > f.off + 1e-12);
  const rim = new Map<string, readonly [Vec, Vec]>();
  for (const { corners } of seen)
    for (const [p, q] of [
      [corners[0], corners[1]],
      [corners[1], corners[2]],
      [corners[2], corners[0]],
    ] as const) {
      const key = [p, q]
        .map((x) => x.join())
        .sort()
        .join('|');
      if (rim.has(key)) rim.delete(key);
      else rim.set(key, [p, q]);
    }
  return [
    ...faces.filter((f) => !seen.includes(f)),
    ...[...rim.values()].flatMap(([p, q]) => faceOf([p, q, w], within) ?? []),
  ];
}
