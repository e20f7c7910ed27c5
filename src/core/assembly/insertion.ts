import type { Box, Vec } from '../geometry';
import type { System } from '../system';
import type { Unit } from './unit';

/**
 * A way into the case: first towards the opening of the open side, then a little along one more
 * direction, or none. Told as the part goes in.
 */
export interface Insertion {
  /** Last move into its place; null where it goes straight in from the open side. */
  readonly last: { readonly axis: 0 | 1 | 2; readonly sign: 1 | -1; readonly by_mm: number } | null;
  /** Units that must not stand there yet. */
  readonly blockedBy: readonly string[];
}

/** Cases are worked in from the side of the glass: +z. */
const OPEN_AXIS = 2;
/**
 * Faces that touch in their place do not block, nor does what a screw draws together, mm (an
 * estimate).
 */
const SLACK_MM = 0.75;
/** How far a part may first be moved aside, mm. */
const ASIDE_MM = [8, 20, 40, 80, 160] as const;
const ASIDE_WAYS: readonly (readonly [axis: 0 | 1 | 2, sign: 1 | -1])[] = [
  [0, -1],
  [0, 1],
  [1, -1],
  [1, 1],
  [2, 1],
];

/**
 * Every way in that no cage of the case shuts, the freest first. Bodies count as the boxes they
 * fill and are not tilted: a way found is one, and where none is found a tilt may still do.
 */
export function insertionsOf(
  system: System,
  unit: Unit,
  others: readonly Unit[],
): readonly Insertion[] {
  const far_mm = outsideOf(system, [unit, ...others]);
  const own = unit.boxes.map(shrunk);
  const cages = system.obstacles.map((o) => o.box);
  const rest = others.filter(
    (o) => o.id !== unit.id && !o.yields && !(unit.yields && unit.hosts.includes(o.id)),
  );
  const ways: Insertion[] = [];
  const tryWay = (last: Insertion['last']): void => {
    const swept = own.map((box) => ({ box, moves: sweepOf(box, last, far_mm) }));
    // Boxes that meet in their place belong to each other, or clash, which is told elsewhere.
    const shuts = (other: Box): boolean =>
      swept.some(
        ({ box, moves }) =>
          (unit.yields === true || !meet(box, other)) && moves.some((m) => meet(m, other)),
      );
    if (cages.some(shuts)) return;
    ways.push({ last, blockedBy: rest.filter((o) => o.boxes.some(shuts)).map((o) => o.id) });
  };
  tryWay(null);
  for (const [axis, sign] of ASIDE_WAYS)
    for (const by_mm of ASIDE_MM)
      if (fitsInside(system, own, axis, sign * by_mm)) tryWay({ axis, sign, by_mm });
  return ways.sort((a, b) => a.blockedBy.length - b.blockedBy.length);
}

/** The freest way given what stands already; null where all are shut. */
export const freeWay = (
  ways: readonly Insertion[],
  standing: ReadonlySet<string>,
): Insertion | null => ways.find((w) => w.blockedBy.every((id) => !standing.has(id))) ?? null;

/** Where a part is clear of everything on the open side, mm. */
const outsideOf = ({ interior, obstacles }: System, units: readonly Unit[]): number =>
  Math.max(
    interior?.max[OPEN_AXIS] ?? 0,
    ...obstacles.map((o) => o.box.max[OPEN_AXIS]),
    ...units.flatMap((u) => u.boxes.map((b) => b.max[OPEN_AXIS])),
  ) + 1;

const shrunk = ({ min, max }: Box): Box => {
  const by = ([0, 1, 2] as const).map((i) => Math.min(SLACK_MM, (max[i] - min[i]) / 2 - 0.01));
  return {
    min: min.map((v, i) => v + Math.max(0, by[i] as number)) as unknown as Vec,
    max: max.map((v, i) => v - Math.max(0, by[i] as number)) as unknown as Vec,
  };
};

/** All that a box fills on its way: aside from its place, and out by the open side. */
function sweepOf(box: Box, last: Insertion['last'], far_mm: number): readonly Box[] {
  if (last === null) return [stretched(box, OPEN_AXIS, far_mm - box.min[OPEN_AXIS])];
  const by = last.sign * last.by_mm;
  const moved = shifted(box, last.axis, by);
  return [
    stretched(box, last.axis, by),
    stretched(moved, OPEN_AXIS, far_mm - moved.min[OPEN_AXIS]),
  ];
}

const put = (v: Vec, axis: 0 | 1 | 2, value: number): Vec =>
  v.map((x, i) => (i === axis ? value : x)) as unknown as Vec;
const shifted = ({ min, max }: Box, axis: 0 | 1 | 2, by: number): Box => ({
  min: put(min, axis, min[axis] + by),
  max: put(max, axis, max[axis] + by),
});
const stretched = ({ min, max }: Box, axis: 0 | 1 | 2, by: number): Box =>
  by >= 0
    ? { min, max: put(max, axis, max[axis] + by) }
    : { min: put(min, axis, min[axis] + by), max };

const meet = (a: Box, b: Box): boolean =>
  ([0, 1, 2] as const).every((i) => a.min[i] < b.max[i] && a.max[i] > b.min[i]);

/** What is moved aside stays in the case: its walls are there. */
const fitsInside = (
  { interior }: System,
  boxes: readonly Box[],
  axis: 0 | 1 | 2,
  by: number,
): boolean =>
  interior === null ||
  axis === OPEN_AXIS ||
  boxes.every(
    (b) =>
      (by > 0 ? b.max[axis] + by <= Math.max(interior.max[axis], b.max[axis]) : true) &&
      (by < 0 ? b.min[axis] + by >= Math.min(interior.min[axis], b.min[axis]) : true),
  );
