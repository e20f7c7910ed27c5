import type { Via } from '../design';
import type { Vec } from '../geometry';

type Axis = 0 | 1 | 2;
/** A leg passes a place when it is no farther from it than this, mm. */
const NEAR_MM = 0.6;

/**
 * Whether a leg of `t` mm from a corner passes a place. One that fixes a single coordinate asks for
 * a leg that lies in that plane, not one that crosses it.
 */
export function passes(via: Via, at: Vec, axis: Axis, sense: 1 | -1, t: number): boolean {
  let set = 0;
  for (const i of [0, 1, 2] as const) {
    const v = via[i];
    if (v === null) continue;
    set += 1;
    if (i !== axis) {
      if (Math.abs(at[i] - v) > NEAR_MM) return false;
      continue;
    }
    const along = (v - at[i]) * sense;
    if (along < -NEAR_MM || along > t + NEAR_MM) return false;
  }
  return set !== 1 || via[axis] === null;
}

/** How many of the places to pass lie behind after a leg. */
export function passedOn(
  vias: readonly Via[],
  stage: number,
  at: Vec,
  axis: Axis,
  sense: 1 | -1,
  t: number,
): number {
  let done = stage;
  for (let via = vias[done]; via && passes(via, at, axis, sense, t); via = vias[done]) done += 1;
  return done;
}

/** Never more than the way along the axes over a place to a goal. */
export function viaBound(from: Vec, via: Via, to: Vec): number {
  let sum = 0;
  for (const i of [0, 1, 2] as const) {
    const v = via[i];
    sum +=
      v === null
        ? Math.abs(to[i] - from[i])
        : Math.max(0, Math.abs(v - from[i]) - NEAR_MM) + Math.max(0, Math.abs(to[i] - v) - NEAR_MM);
  }
  return sum;
}

/**
 * Which leg of a way, from its corners, passes a place first; the number of legs when none does.
 */
function legOf(via: Via, corners: readonly Vec[]): number {
  for (let i = 0; i + 1 < corners.length; i += 1) {
    const a = corners[i] as Vec,
      b = corners[i + 1] as Vec,
      axis = ([0, 1, 2] as const).find((k) => Math.abs(b[k] - a[k]) > NEAR_MM) ?? 0;
    if (passes(via, a, axis, b[axis] >= a[axis] ? 1 : -1, Math.abs(b[axis] - a[axis]))) return i;
  }
  return corners.length - 1;
}

/**
 * The places to pass when a leg of a way is put into another plane: in the order the way passes
 * them, the leg's own old plane given up.
 */
export function withLegAt(
  vias: readonly Via[],
  corners: readonly Vec[],
  leg: number,
  axis: Axis,
  at_mm: number,
): readonly Via[] {
  const plane = [null, null, null] as [number | null, number | null, number | null];
  plane[axis] = at_mm;
  const kept = vias
    .map((via) => ({ via, leg: legOf(via, corners) }))
    .filter(
      ({ via, leg: own }) =>
        !(own === leg && via[axis] !== null && via.filter((v) => v !== null).length === 1),
    );
  return [
    ...kept.filter((k) => k.leg <= leg).map((k) => k.via),
    plane,
    ...kept.filter((k) => k.leg > leg).map((k) => k.via),
  ];
}

/** What of a run is in the hand: one of its legs, one of its corners, or all between its end legs. */
export type Hold = { readonly leg: number } | { readonly corner: number } | 'route';

/** Legs that move with what is held; end legs stay in their ports' lines unless held themselves. */
function legsMoved(hold: Hold, corners: readonly Vec[]): readonly number[] {
  const last = corners.length - 2;
  const inner = (leg: number): boolean => leg > 0 && leg < last;
  if (hold === 'route') return Array.from({ length: last + 1 }, (_, i) => i).filter(inner);
  if ('leg' in hold) return [hold.leg];
  return [hold.corner - 1, hold.corner].filter(inner);
}

/**
 * The places to pass when a part of a way is moved: every leg that moves lies in its plane, put off
 * by so much, and the rest of the way is free to follow.
 *
 * @param vias places to pass as they are set, in order
 * @param corners of the way as it lies, mm
 * @param by how far it is moved along each axis of the case, mm; along a leg nothing changes
 * @returns the places to pass then, in order; as they are where nothing moves
 */
export function withMoved(
  vias: readonly Via[],
  corners: readonly Vec[],
  hold: Hold,
  by: Vec,
): readonly Via[] {
  const moves = legsMoved(hold, corners).flatMap((leg) => {
    const a = corners[leg] as Vec,
      b = corners[leg + 1] as Vec;
    return ([0, 1, 2] as const)
      .filter((axis) => by[axis] !== 0 && Math.abs(b[axis] - a[axis]) < NEAR_MM)
      .map((axis) => ({ leg, axis, at_mm: a[axis] + by[axis] }));
  });
  // From the far end: a plane that was just set is on no leg of the way as it lies.
  return moves.reduceRight<readonly Via[]>(
    (set, { leg, axis, at_mm }) => withLegAt(set, corners, leg, axis, at_mm),
    vias,
  );
}
