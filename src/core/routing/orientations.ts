import { cross, dot, type Frame, type Vec } from '../geometry';

const AXES: readonly Vec[] = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
];

/** All 24 ways a part may stand along the case's axes. */
export const orientations = (): readonly Omit<Frame, 'at'>[] => ALL;

const ALL = AXES.flatMap((x) =>
  AXES.filter((y) => dot(x, y) === 0).map((y) => ({ x, y, z: cross(x, y) })),
);
