import type { Loop } from '../design';
import { add, cross, distance, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import { BUILDERS_ANGLES } from './fewBends';
import { styleOf } from './prices';
import type { Route } from './routed';
import { STRAIGHT_MM } from './task';

/**
 * No hard tube between two mouths is shorter, mm, whatever stands there: straight in space; with the
 * straight at either fitting and curves no tighter than its bends (`leastOfCurve`); and where legs
 * lie along the axes or at 45° to one, what such legs and their arcs come to at the least. Of a
 * straight tube its length, of soft tube the distance.
 */
export function leastLengthOf(loop: Loop, route: Route): number {
  const { from, to, corners, radii_mm = [] } = route;
  // No bound may be made for a wider bend than the tightest there is.
  const radius_mm = Math.min(route.radius_mm, ...radii_mm);
  const straight = distance(from.mouth, to.mouth);
  if (!loop.tube.hard || corners.length === 2) return straight;
  const a = add(from.mouth, scale(from.direction, STRAIGHT_MM)),
    b = add(to.mouth, scale(to.direction, STRAIGHT_MM));
  const ends: readonly [Vec, Vec] = [from.direction, scale(to.direction, -1)];
  const curve = leastOfCurve(sub(b, a), ends, radius_mm);
  const legs = isOfBuildersLegs(loop, corners) ? leastOfLegs(sub(b, a), ends, radius_mm) : 0;
  return Math.max(straight, 2 * STRAIGHT_MM + Math.max(curve, legs));
}

/** Whether all legs lie along the axes or at 45° to one, as style and mandrels have them. */
function isOfBuildersLegs(loop: Loop, corners: readonly Vec[]): boolean {
  const style = styleOf(loop);
  if (style === 'free' || style === 'shortest') return false;
  // Mandrels of other angles make legs of other directions, shorter than those at 45°.
  const angles = loop.mandrels?.angles_deg ?? BUILDERS_ANGLES;
  if (angles.some((deg) => !BUILDERS_ANGLES.includes(deg))) return false;
  return corners.slice(1).every((c, i) => isLevelOr45(sub(c, corners[i] as Vec)));
}

/**
 * A least length of curves by `by` that leave and arrive in two directions and bend nowhere tighter
 * than a radius (after Dubins 1957): seen along any direction n, the way out of one at an angle θ
 * to it gains R sin θ on n while it turns onto it over R θ, so that the whole is no shorter than
 * n·`by` + R (θ₁ − sin θ₁ + θ₂ − sin θ₂) where both turns have room on n. The best n is looked for
 * from the straight one; whichever is found, the bound holds.
 */
export function leastOfCurve(
  by: Vec,
  [leaves, arrives]: readonly [Vec, Vec],
  radius_mm: number,
): number {
  const straight = norm(by);
  if (straight < EPS) return 0;
  const along = (n: Vec): number => {
    const first = turnFrom(leaves, n),
      last = turnFrom(arrives, n),
      gain = dot(by, n);
    const spent = radius_mm * (Math.sin(first) + Math.sin(last));
    return gain < spent ? 0 : gain - spent + radius_mm * (first + last);
  };
  let best: Vec = scale(by, 1 / straight),
    least = along(best);
  for (let step = FIRST_STEP; step > LAST_STEP;) {
    const tried = [leaves, arrives, cross(leaves, best), cross(arrives, best)].flatMap((way) =>
      norm(way) < EPS ? [] : [step, -step].map((s) => unit(add(best, scale(unit(way), s)))),
    );
    const better = tried.find((n) => along(n) > least + EPS);
    if (better) [best, least] = [better, along(better)];
    else step /= 2;
  }
  return Math.max(straight, least);
}
const FIRST_STEP = 0.4,
  LAST_STEP = 0.005,
  EPS = 1e-6;

/** Angle between two directions, radians. */
const turnFrom = (a: Vec, b: Vec): number => Math.acos(Math.max(-1, Math.min(1, dot(a, b))));

/** Whether a leg lies along an axis of the case, or at 45° to one. */
function isLevelOr45(leg: Vec): boolean {
  const most = Math.max(...leg.map(Math.abs)) / (Math.hypot(...leg) || 1);
  return Math.abs(most - 1) < SLANT || Math.abs(most - Math.SQRT1_2) < SLANT;
}
const SLANT = 1e-3;

/**
 * A least length of legs along the axes or at 45° to one, in any plane through it, with arcs of 45°
 * and 90° between them, that leaves and arrives in two directions: by the dual of the norm of such
 * legs. A vector y that is 1 at most on each of their directions makes a way by no less than y·`by`
 * of them; what an arc is longer than y on what it spans comes on top.
 */
function leastOfLegs(by: Vec, [leaves, arrives]: readonly [Vec, Vec], radius_mm: number): number {
  const straight = Math.hypot(...by);
  if (straight === 0) return 0;
  return Math.max(
    ...[scale(by, 1 / straight), dualOf(by)].map((y) => {
      const first = beyondInArc(y, leaves),
        last = beyondInArc(y, arrives);
      // One bend is the first and the last; of up to four, two more may spare a little.
      const arcs = Math.min(Math.max(first, last), first + last - (MOST_BENDS - 2) * SPARED_BY_45);
      return dot(y, by) + radius_mm * Math.min(arcs, sameWay(leaves, arrives) ? 0 : Infinity);
    }),
  );
}

/** (1, √2 − 1) along and across the longest axis: 1 at most on each axis and at 45° to each. */
function dualOf(by: Vec): Vec {
  const axis = by.reduce((best, x, i) => (Math.abs(x) > Math.abs(by[best] ?? 0) ? i : best), 0);
  const across = Math.hypot(...by.filter((_, i) => i !== axis)) || 1;
  const of = (i: 0 | 1 | 2): number =>
    i === axis ? Math.sign(by[i]) : ((Math.SQRT2 - 1) * by[i]) / across;
  return [of(0), of(1), of(2)];
}

/** What the arc that begins along a direction is longer than y on what it spans, share of R. */
function beyondInArc(y: Vec, direction: Vec): number {
  const along = dot(y, direction);
  const across = Math.sqrt(Math.max(0, dot(y, y) - along * along));
  const by45 = Math.PI / 4 - (Math.SQRT1_2 * along + (1 - Math.SQRT1_2) * across),
    by90 = Math.PI / 2 - (along + across);
  return Math.min(by45, by90);
}

const sameWay = (a: Vec, b: Vec): boolean => dot(a, b) > SAME_WAY;
const SAME_WAY = 0.9999;

/** More bends than this are an exception that needs a reason. */
const MOST_BENDS = 4;
/** What an arc of 45° is shorter by than legs along an axis and at 45° to it would be, share of R. */
const SPARED_BY_45 = 2 * (Math.SQRT2 - 1) - Math.PI / 4;
