import { setBack } from '../tubing';
import { add, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import type { EndWay } from './ends';
import { bettered } from './bettered';
import { draftsBetween, type FewBends } from './fewBends';
import { turnBetween } from './path';
import type { WayFound } from './rigidRoute';

/** A way of fewer bends than this has been looked for in closed form already. */
const LEAST_BENDS = 3;
/** How far over the obstacle that is gone round a roof of three bends is tried, as a share. */
const ROOFS = [1, 1.1, 1.2, 1.3, 1.4, 1.45, 1.5, 1.6, 1.8];
/** Where the ridge of such a roof may lie, as shares of what it spans. */
const RIDGES = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8];
const EPS = 1e-6;

/**
 * A way of three bends or more made cheaper where two of its legs, not neighbours, can be joined by
 * one or two bends, or over a roof of three, past all that stands: what is between falls away.
 * Nothing is looked for where the way's own price is not known. Deterministic.
 */
export const shortened = (way: WayFound, asked: FewBends): WayFound =>
  way.corners.length - 2 < LEAST_BENDS
    ? way
    : bettered(way, asked, (now) => joinedWays(now.corners, asked));

/** All ways with a joint between two legs that are not neighbours. */
function joinedWays(corners: readonly Vec[], asked: FewBends): readonly (readonly Vec[])[] {
  const ways: (readonly Vec[])[] = [];
  const legs = corners.length - 1;
  for (let i = 0; i < legs - 1; i += 1)
    for (let j = i + 2; j < legs; j += 1)
      for (const between of joints(corners, i, j, asked))
        ways.push([...corners.slice(0, i + 1), ...between, ...corners.slice(j + 1)]);
  return ways;
}

/** Corners that join leg i of a way to its leg j. */
function joints(
  corners: readonly Vec[],
  i: number,
  j: number,
  asked: FewBends,
): readonly (readonly Vec[])[] {
  const { limits } = asked;
  const at = (k: number): Vec => corners[k] as Vec;
  const wayOf = (k: number): Vec => unit(sub(at(k + 1), at(k)));
  const d = wayOf(i),
    e = wayOf(j);
  // Past the bends that stay.
  const before = i === 0 ? 0 : setBack(limits.radius_mm, turnBetween(wayOf(i - 1), d)),
    after = j === corners.length - 2 ? 0 : setBack(limits.radius_mm, turnBetween(e, wayOf(j + 1)));
  const p = add(at(i), scale(d, before)),
    q = sub(at(j + 1), scale(e, after));
  const straight = Math.min(limits.atFitting_mm, limits.between_mm);
  const plain = draftsBetween([bare(p, d)], [bare(q, scale(e, -1))], {
    limits: { ...limits, atFitting_mm: straight },
    prices: asked.prices,
    tube_mm: asked.tube_mm,
    level: asked.level,
  }).map((draft) => draft.corners.slice(1, -1));
  return dot(d, e) > 1 - EPS
    ? [...plain, ...roofs(p, q, d, corners.slice(i + 1, j + 1), asked)]
    : plain;
}

/** A leg that goes on, as an end a way may begin at. */
export const bare = (mouth: Vec, direction: Vec): EndWay => ({
  piece: 'straight',
  duties: [],
  bodies: [],
  mouth,
  direction,
  cost: 0,
});

/**
 * From one line to another that leads the same way, up to a ridge and down again: bends of 45°, 90°
 * and 45°, on the side that the way goes round by.
 */
function roofs(
  p: Vec,
  q: Vec,
  d: Vec,
  round: readonly Vec[],
  { limits }: FewBends,
): readonly (readonly Vec[])[] {
  if (limits.angles_deg && !(limits.angles_deg.includes(45) && limits.angles_deg.includes(90)))
    return [];
  const asideOf = (v: Vec): Vec => {
    const off = sub(v, p);
    return sub(off, scale(d, dot(off, d)));
  };
  const far = round.reduce<Vec>((a, v) => (norm(asideOf(v)) > norm(a) ? asideOf(v) : a), [0, 0, 0]);
  const high = norm(far);
  if (high < limits.radius_mm / 2) return [];
  const up = unit(far);
  // How much the second line lies on the way up already; only straight up and down again.
  const step = asideOf(q),
    rise = dot(step, up);
  if (norm(sub(step, scale(up, rise))) > EPS) return [];
  const span = dot(sub(q, p), d);
  return ROOFS.flatMap((k) => {
    const top = Math.max(0, rise) + k * (high - Math.max(0, rise));
    // At 45° it runs as far as it rises.
    const least = top,
      most = span - (top - rise);
    if (most < least) return [];
    return RIDGES.map((share): readonly Vec[] => {
      const ridge = least + share * (most - least);
      const on = (along: number, over: number): Vec =>
        add(add(p, scale(d, along)), scale(up, over));
      return [on(ridge - top, 0), on(ridge, top), on(ridge + (top - rise), rise)];
    });
  });
}
