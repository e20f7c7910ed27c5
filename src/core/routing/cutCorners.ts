import type { Via } from '../design';
import { add, distance, dot, scale, sub, unit, type Vec } from '../geometry';
import { setBack } from '../tubing';
import { bettered } from './bettered';
import type { FewBends } from './fewBends';
import { turnBetween } from './path';
import type { TubeLimits, WayFound } from './rigidRoute';

/** How deep a corner is cut, as shares of the most that its two legs have room for. */
const DEPTHS = [1, 0.85, 0.7, 0.55, 0.4, 0.25];
const CUT_DEG = 45;
const EPS = 1e-6;

/**
 * A way whose square corners between legs along the axes are cut, each by two bends of 45° and a leg
 * aslant between them, where that is cheaper: one bend more for a shorter tube. A style that weighs
 * shared lines keeps its corners square: a cut pays only where it is long, and is then what catches
 * the eye; there only a place to pass cuts one. The same way where no cut is, or where 45° is not
 * among the angles that can be bent. Deterministic.
 */
export function withCutCorners(way: WayFound, asked: FewBends): WayFound {
  const { limits } = asked;
  if (limits.angles_deg && !limits.angles_deg.includes(CUT_DEG)) return way;
  return bettered(way, asked, ({ corners }) => cutWays(corners, asked));
}

/** All ways with one square corner cut. */
const cutWays = (
  corners: readonly Vec[],
  { limits, prices, vias = [] }: FewBends,
): readonly (readonly Vec[])[] =>
  corners.slice(1, -1).flatMap((corner, k) => {
    const before = corners[k] as Vec,
      after = corners[k + 2] as Vec;
    const back = unit(sub(before, corner)),
      ahead = unit(sub(after, corner));
    if (!isAlongAxis(back) || !isAlongAxis(ahead) || isParallel(back, ahead)) return [];
    const most_mm = Math.min(
      roomOnLeg(corners, k, k + 1, limits),
      roomOnLeg(corners, k + 2, k + 1, limits),
    );
    if (most_mm < EPS) return [];
    const over = vias.map((via) => overPlace(via, corner, back, ahead));
    const depths = prices.offPlane > 0 ? [] : DEPTHS.map((share) => share * most_mm);
    return [...depths, ...over]
      .filter((depth_mm) => depth_mm > EPS && depth_mm <= most_mm)
      .map((depth_mm) => [
        ...corners.slice(0, k + 1),
        add(corner, scale(back, depth_mm)),
        add(corner, scale(ahead, depth_mm)),
        ...corners.slice(k + 2),
      ]);
  });

/** How deep a corner is cut where the leg aslant leads over a place, mm. */
function overPlace(via: Via, corner: Vec, back: Vec, ahead: Vec): number {
  const off = sub(via.map((v, i) => v ?? corner[i as 0]) as unknown as Vec, corner);
  return dot(off, back) + dot(off, ahead);
}

const isAlongAxis = (way: Vec): boolean => way.some((v) => Math.abs(v) > 1 - EPS);
const isParallel = (a: Vec, b: Vec): boolean => Math.abs(dot(a, b)) > 1 - EPS;

/** How far from corner `at` a bend of 45° may lie on the leg to corner `far`, mm. */
function roomOnLeg(corners: readonly Vec[], far: number, at: number, limits: TubeLimits): number {
  const { radius_mm, atFitting_mm, between_mm } = limits;
  const whole_mm = distance(corners[far] as Vec, corners[at] as Vec) - setBack(radius_mm, CUT_DEG);
  const beyond = corners[2 * far - at];
  if (!beyond) return whole_mm - atFitting_mm;
  const turn_deg = turnBetween(
    unit(sub(corners[far] as Vec, corners[at] as Vec)),
    unit(sub(beyond, corners[far] as Vec)),
  );
  return whole_mm - setBack(radius_mm, turn_deg) - between_mm;
}
