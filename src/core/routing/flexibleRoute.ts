import { setBack } from '../tubing';
import { add, norm, scale, sub, unit, type Vec } from '../geometry';
import type { EndWay } from './ends';
import type { TubeLimits, WayFound } from './rigidRoute';
import { roundedPath, samplePath, turnBetween } from './path';
import { tollOf, type Workspace } from './workspace';

/**
 * A degree of turning is worth so many millimetres: gentle ways are taken (common practice, no
 * source).
 */
const TURN_COST = 0.7;
/** Beyond a half turn in all a tube begins to coil: each degree is worth so much more. */
const COIL_COST = 2.5,
  COIL_DEG = 180;
export const turningCost = (deg: number): number =>
  TURN_COST * deg + COIL_COST * Math.max(0, deg - COIL_DEG);
/**
 * Lengths tried before the tube turns, in bend radii beyond the least; widest radius tried, in
 * least radii.
 */
const REACHES = [0, 0.35, 0.8, 1.4, 2.2, 3.2, 4.5],
  WIDEST = 3;
/** Ways looked at in space, cheapest first; distance between points looked at, mm. */
const MOST_LOOKS = 900,
  STEP_MM = 6;
const DEGREES_MOST = 170;

interface Draft {
  readonly corners: readonly Vec[];
  readonly radius: number;
  readonly from: EndWay;
  readonly to: EndWay;
  readonly cost: number;
}

export interface SoftWay extends WayFound {
  readonly radius_mm: number;
}

/**
 * The cheapest gentle way of a flexible tube: out of one fitting, a bend, a straight, a bend, into
 * the other, the bends as wide as there is room for and never tighter than the tube allows. All end
 * fittings are weighed at once. Null when every such way meets something.
 */
export function routeFlexible(
  workspace: Workspace,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  limits: TubeLimits,
): SoftWay | null {
  const drafts: Draft[] = [];
  for (const from of froms) for (const to of tos) drafts.push(...draftsOf(from, to, limits));
  drafts.sort((a, b) => a.cost - b.cost);
  let best: SoftWay | null = null;
  for (const [i, d] of drafts.entries()) {
    if (i >= MOST_LOOKS || (best && d.cost >= best.cost)) break;
    const penalty = tollOf(
      workspace,
      samplePath(roundedPath(d.corners, d.radius), STEP_MM).slice(1, -1),
    );
    if (penalty === Infinity) continue;
    if (!best || d.cost + penalty < best.cost)
      best = {
        corners: d.corners,
        from: d.from,
        to: d.to,
        cost: d.cost + penalty,
        expanded: i,
        radius_mm: d.radius,
      };
  }
  return best;
}

/** The least turning of a soft tube from one mouth to another, nothing in the way; null without a way. */
export function leastTurning(from: EndWay, to: EndWay, limits: TubeLimits): number | null {
  const turnings = draftsOf(from, to, limits).map(({ corners }) =>
    corners
      .slice(2)
      .reduce(
        (sum, c, i) =>
          sum +
          turnBetween(sub(corners[i + 1] as Vec, corners[i] as Vec), sub(c, corners[i + 1] as Vec)),
        0,
      ),
  );
  return turnings.length > 0 ? Math.min(...turnings) : null;
}

function draftsOf(
  from: EndWay,
  to: EndWay,
  { radius_mm: least, atFitting_mm: s }: TubeLimits,
): readonly Draft[] {
  const out: Draft[] = [],
    p = from.mouth,
    q = to.mouth,
    ends = from.cost + to.cost;
  const chord = sub(q, p),
    far = norm(chord);
  // Facing each other: one straight piece.
  if (
    far > 2 &&
    turnBetween(from.direction, chord) < 0.5 &&
    turnBetween(to.direction, scale(chord, -1)) < 0.5
  )
    return [{ corners: [p, q], radius: least, from, to, cost: far + ends }];
  for (const ra of REACHES)
    for (const rb of REACHES) {
      const a = add(p, scale(from.direction, s + ra * least + least * 0.3)),
        b = add(q, scale(to.direction, s + rb * least + least * 0.3));
      const la = norm(sub(a, p)),
        lb = norm(sub(b, q)),
        mid = norm(sub(b, a));
      if (mid < 1) continue;
      const way = unit(sub(b, a)),
        ta = turnBetween(from.direction, way),
        tb = turnBetween(way, scale(to.direction, -1));
      if (ta > DEGREES_MOST || tb > DEGREES_MOST) continue;
      const ka = setBack(1, ta),
        kb = setBack(1, tb);
      // As wide as the straights let it, but not wider than looks right.
      const radius = Math.min(
        ka > 1e-9 ? (la - s) / ka : Infinity,
        kb > 1e-9 ? (lb - s) / kb : Infinity,
        ka + kb > 1e-9 ? mid / (ka + kb) : Infinity,
        WIDEST * least,
      );
      if (radius < least - 1e-9) continue;
      const length =
        la + mid + lb - radius * (2 * ka - (ta * Math.PI) / 180 + 2 * kb - (tb * Math.PI) / 180);
      out.push({
        corners: [p, ...(ta > 1e-6 ? [a] : []), ...(tb > 1e-6 ? [b] : []), q],
        radius,
        from,
        to,
        cost: length + turningCost(ta + tb) + ends,
      });
    }
  return out;
}
