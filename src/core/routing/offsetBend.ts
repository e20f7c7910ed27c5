import { setBack } from '../tubing';
import { add, norm, scale, sub, type Vec } from '../geometry';
import { roundedPath, samplePath } from './path';
import { tollOf, type Workspace } from './workspace';

/** Sidesteps smaller than this are none, mm; points looked at so far apart, mm. */
const NONE_MM = 1e-6,
  STEP_MM = 7;

/**
 * Angle of the two bends of a sidestep, degrees: the least for which both bends and the straight
 * between them just give it, h = 2 R (1 − cos θ) + L sin θ. Null when it is more than two right
 * angles give: such a way turns corners instead.
 */
export function jogAngle(side_mm: number, radius_mm: number, between_mm: number): number | null {
  if (side_mm > 2 * radius_mm + between_mm) return null;
  let low = 0,
    high = Math.PI / 2;
  for (let i = 0; i < 60; i += 1) {
    const t = (low + high) / 2;
    if (2 * radius_mm * (1 - Math.cos(t)) + between_mm * Math.sin(t) < side_mm) low = t;
    else high = t;
  }
  return (high * 180) / Math.PI;
}

/**
 * The steepest of the angles there are that leaves the straight between both bends of a sidestep
 * long enough: L = (h − 2 R (1 − cos θ)) / sin θ. Null where none does.
 */
export function heldAngle(
  side_mm: number,
  radius_mm: number,
  between_mm: number,
  angles_deg: readonly number[],
): number | null {
  const fits = angles_deg.filter((angle) => {
    const t = (angle * Math.PI) / 180;
    return (
      angle < 90 && (side_mm - 2 * radius_mm * (1 - Math.cos(t))) / Math.sin(t) >= between_mm - 1e-9
    );
  });
  return fits.length > 0 ? Math.max(...fits) : null;
}

export interface Jog {
  readonly corners: readonly [Vec, Vec];
  readonly penalty: number;
  readonly longer_mm: number;
  /** Of both bends. */
  readonly angle_deg: number;
}

/**
 * A leg along `d` from one place to another beside its line: two equal bends somewhere on the way.
 * `before` and `after` stay straight. Null when there is no room.
 */
export function jogLeg(
  workspace: Workspace,
  from: Vec,
  d: Vec,
  to: Vec,
  radius_mm: number,
  between_mm: number,
  before_mm: number,
  after_mm: number,
  angles_deg?: readonly number[],
): Jog | null {
  const all = sub(to, from),
    ahead = all[0] * d[0] + all[1] * d[1] + all[2] * d[2],
    off = sub(all, scale(d, ahead)),
    side = norm(off);
  if (side <= NONE_MM) return null;
  const angle = angles_deg
    ? heldAngle(side, radius_mm, between_mm, angles_deg)
    : jogAngle(side, radius_mm, between_mm);
  if (angle === null) return null;
  const back = setBack(radius_mm, angle),
    run = side / Math.tan((angle * Math.PI) / 180),
    room_mm = ahead - before_mm - after_mm - 2 * back - run;
  if (room_mm < -1e-9) return null;
  const slant = Math.hypot(side, run),
    saved = 2 * (2 * back - (radius_mm * angle * Math.PI) / 180);
  let best: Jog | null = null;
  for (const share of [0.5, 0, 1]) {
    const c1 = add(from, scale(d, before_mm + back + room_mm * share)),
      c2 = add(add(c1, scale(d, run)), off);
    const penalty = tollOf(
      workspace,
      samplePath(roundedPath([from, c1, c2, to], radius_mm), STEP_MM),
    );
    if (penalty === Infinity || (best && best.penalty <= penalty)) continue;
    best = { corners: [c1, c2], penalty, longer_mm: slant - run - saved, angle_deg: angle };
    if (penalty === 0) break;
  }
  return best;
}
