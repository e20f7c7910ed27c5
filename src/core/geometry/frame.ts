import { boxOf, type Box } from './box';
import { add, scale, type Vec } from './vec';

/**
 * Where a part's own axes lie in the case: its origin and the case direction of each of its axes
 * (all along case axes).
 */
export interface Frame {
  readonly at: Vec;
  readonly x: Vec;
  readonly y: Vec;
  readonly z: Vec;
}

export const UPRIGHT: Omit<Frame, 'at'> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };

export const directionIn = (f: Frame, d: Vec): Vec =>
  clean(add(add(scale(f.x, d[0]), scale(f.y, d[1])), scale(f.z, d[2])));
export const pointIn = (f: Frame, p: Vec): Vec => add(f.at, directionIn(f, p));
export const boxIn = (f: Frame, b: Box): Box => boxOf(pointIn(f, b.min), pointIn(f, b.max));

/** No negative zeros in what is written out. */
const clean = (v: Vec): Vec => [v[0] + 0, v[1] + 0, v[2] + 0];
