import { add, norm, scale, sub, type Vec } from '../geometry';
import type { EndWay } from './ends';
import type { TubeLimits, WayFound } from './rigidRoute';
import { roundedPath, samplePath, turnBetween } from './path';
import { freeCurve } from './asItLies';
import { TIGHT } from './clipReason';
import { TwoBends } from './twoBends';
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
 * fittings are weighed at once. `isClipped`: clips hold it already. Null when every such way meets something.
 */
export function routeFlexible(
  workspace: Workspace,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  limits: TubeLimits,
  isClipped = false,
): SoftWay | null {
  const drafts: Draft[] = [];
  for (const from of froms) for (const to of tos) drafts.push(...draftsOf(from, to, limits));
  drafts.sort((a, b) => a.cost - b.cost);
  let best: SoftWay | null = null,
    tried = 0;
  for (const [i, d] of drafts.entries()) {
    if (i >= MOST_LOOKS || (best && d.cost >= best.cost)) break;
    const path = roundedPath(d.corners, d.radius);
    const penalty = tollOf(workspace, samplePath(path, STEP_MM).slice(1, -1));
    if (best ? d.cost + penalty >= best.cost : penalty === Infinity) continue;
    // A way that wants a clip is paid for; past the first few that do, all are taken to.
    const stays = isClipped || (tried < MOST_TRIED && staysFree(workspace, path, limits));
    tried += 1;
    const cost = d.cost + penalty + (stays ? 0 : CLIP_MM);
    if (!best || cost < best.cost)
      best = { corners: d.corners, from: d.from, to: d.to, cost, expanded: i, radius_mm: d.radius };
  }
  return best;
}

/**
 * A clip that holds a tube where it would not stay by itself is worth so many millimetres of tube
 * (common practice, no source): 30 mm more often do without one. Ways whose curves are looked at.
 */
const CLIP_MM = 40,
  MOST_TRIED = 12;

/** Whether a tube of a way, left to its fittings, meets nothing and bends no tighter than it may. */
function staysFree(
  workspace: Workspace,
  path: ReturnType<typeof roundedPath>,
  { radius_mm }: TubeLimits,
): boolean {
  const curve = freeCurve(path);
  if (!curve) return true;
  return (
    curve.leastRadius_mm > radius_mm * (1 - TIGHT) &&
    tollOf(workspace, curve.points.slice(1, -1)) < Infinity
  );
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

/** The angle of a bend by the tangent of its half, degrees. */
const angleOf = (halfTangent: number): number => (2 * Math.atan(halfTangent) * 180) / Math.PI;

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
  const bends = new TwoBends(chord, from.direction, scale(to.direction, -1));
  for (const ra of REACHES)
    for (const rb of REACHES) {
      const la = s + ra * least + least * 0.3,
        lb = s + rb * least + least * 0.3;
      const mid = bends.between(la, lb);
      if (mid < 1) continue;
      const ka = bends.first(la, lb),
        kb = bends.second(la, lb),
        ta = angleOf(ka),
        tb = angleOf(kb);
      if (ta > DEGREES_MOST || tb > DEGREES_MOST) continue;
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
        corners: [
          p,
          ...(ta > 1e-6 ? [add(p, scale(from.direction, la))] : []),
          ...(tb > 1e-6 ? [add(q, scale(to.direction, lb))] : []),
          q,
        ],
        radius,
        from,
        to,
        cost: length + turningCost(ta + tb) + ends,
      });
    }
  return out;
}
