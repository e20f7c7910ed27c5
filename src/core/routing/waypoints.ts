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
