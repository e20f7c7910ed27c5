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
 * Whether a leg of any direction passes a place. One that fixes a single coordinate asks for a leg
 * that lies in that plane.
 */
export function legPasses(via: Via, a: Vec, b: Vec): boolean {
  const set = ([0, 1, 2] as const).filter((i) => via[i] !== null);
  // The part of the leg, from 0 to 1, that is near the place in every coordinate that is fixed.
  let first = 0,
    last = 1;
  for (const i of set) {
    const off = (via[i] as number) - a[i],
      by = b[i] - a[i];
    if (set.length === 1 || Math.abs(by) < FLAT_MM) {
      if (Math.abs(off) > NEAR_MM || Math.abs(off - by) > NEAR_MM) return false;
      continue;
    }
    const [x, y] = [(off - NEAR_MM) / by, (off + NEAR_MM) / by];
    first = Math.max(first, Math.min(x, y));
    last = Math.min(last, Math.max(x, y));
  }
  return first <= last;
}
/** A leg whose ends are no farther apart than this along an axis lies across it, mm. */
const FLAT_MM = 1e-6;

/** Whether a way by its corners passes all places in their order. */
export function passesAll(vias: readonly Via[], corners: readonly Vec[]): boolean {
  let stage = 0;
  for (let leg = 1; leg < corners.length; leg += 1)
    for (
      let via = vias[stage];
      via && legPasses(via, corners[leg - 1] as Vec, corners[leg] as Vec);
      via = vias[stage]
    )
      stage += 1;
  return stage === vias.length;
}
