import { boxOf, type Box } from './box';
import { directionIn, pointIn, type Frame } from './frame';
import { add, sub, type Vec } from './vec';

/** Turned about an axis of the case, degrees, counter-clockwise as seen against it. */
export interface Tilt {
  readonly about: 'x' | 'y' | 'z';
  readonly by_deg: number;
}

const EXACT = 1e-9;
const tidy = (v: number): number => {
  const near = Math.round(v);
  return Math.abs(v - near) < EXACT ? near + 0 : v;
};

/** A direction turned about an axis of the case. */
function turnedBy({ about, by_deg }: Tilt, v: Vec): Vec {
  const t = (by_deg * Math.PI) / 180,
    c = Math.cos(t),
    s = Math.sin(t);
  const [x, y, z] = v;
  const turned = {
    x: [x, y * c - z * s, y * s + z * c],
    y: [x * c + z * s, y, z * c - x * s],
    z: [x * c - y * s, x * s + y * c, z],
  }[about] as unknown as Vec;
  return [tidy(turned[0]), tidy(turned[1]), tidy(turned[2])];
}

/** A frame turned about a place of the case. */
export const tiltedFrame = (f: Frame, pivot: Vec, tilt: Tilt): Frame => ({
  at: add(pivot, turnedBy(tilt, sub(f.at, pivot))),
  x: turnedBy(tilt, f.x),
  y: turnedBy(tilt, f.y),
  z: turnedBy(tilt, f.z),
});

const isAxis = (d: Vec): boolean => d.filter((v) => Math.abs(v) > EXACT).length === 1;

/** Whether all axes of a frame lie along those of the case. */
export const isAlongAxes = (f: Frame): boolean => isAxis(f.x) && isAxis(f.y) && isAxis(f.z);

/** The eight corners of a box of a frame's own axes, in the case. */
export const cornersIn = (f: Frame, { min, max }: Box): readonly Vec[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((k) =>
    pointIn(f, [k & 1 ? max[0] : min[0], k & 2 ? max[1] : min[1], k & 4 ? max[2] : min[2]]),
  );

const roundBox = (points: readonly Vec[]): Box =>
  boxOf(
    [0, 1, 2].map((i) => Math.min(...points.map((p) => p[i as 0]))) as unknown as Vec,
    [0, 1, 2].map((i) => Math.max(...points.map((p) => p[i as 0]))) as unknown as Vec,
  );

/** The most cells along a side. */
const MOST_CELLS = 16;

/**
 * A tilted box, as boxes along the case's axes that hold all of it: its rim in cells of
 * about so many mm, so that no more than a cell is taken that is not its own.
 */
export function cellsOf(f: Frame, box: Box, cell_mm: number): readonly Box[] {
  const tilted = ([0, 1, 2] as const).filter((i) => !isAxis([f.x, f.y, f.z][i] as Vec));
  const counts = ([0, 1, 2] as const).map((i) =>
    tilted.includes(i)
      ? Math.min(MOST_CELLS, Math.max(1, Math.ceil((box.max[i] - box.min[i]) / cell_mm)))
      : 1,
  ) as [number, number, number];
  const edge = (i: 0 | 1 | 2, k: number): number =>
    box.min[i] + ((box.max[i] - box.min[i]) * k) / counts[i];
  const cells: Box[] = [];
  for (let a = 0; a < counts[0]; a += 1)
    for (let b = 0; b < counts[1]; b += 1)
      for (let c = 0; c < counts[2]; c += 1) {
        const at = [a, b, c] as const;
        const isRim = tilted.some((i) => at[i] === 0 || at[i] === counts[i] - 1);
        if (!isRim) continue;
        const min: Vec = [edge(0, a), edge(1, b), edge(2, c)],
          max: Vec = [edge(0, a + 1), edge(1, b + 1), edge(2, c + 1)];
        cells.push(roundBox(cornersIn(f, { min, max })));
      }
  return cells;
}

/** The middle of a box of a frame's own axes, in the case. */
export const middleIn = (f: Frame, size: Vec): Vec =>
  add(f.at, directionIn(f, [size[0] / 2, size[1] / 2, size[2] / 2]));
