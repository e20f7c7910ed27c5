import { distance, nearestInBox, nearestInCylinder, type Body, type Vec } from '../geometry';
import type { Run } from '../tubing';
import { lastMoveOf } from './putIn';

/** A part beside a tube: what is solid of it. */
export type Beside = Body & { readonly component: string };

/** A tube by points of its middle line, nearer to each other than it is thick. */
export interface TubePoints {
  readonly id: string;
  readonly points: readonly Vec[];
  readonly radius_mm: number;
}

/** Shares of the last move looked at: on its way, and just out of both collars. */
const SHARES = [0.5, 1, 1.25];
/** What is nearer than this to where the tube lies touches it already, mm. */
const TOUCHES_MM = 0.1;

/**
 * What stands where a formed tube must pass by its last move into both fittings: ids of parts and of
 * other runs, in the order given. What the tube touches where it lies (its own fittings) is not
 * told. Empty where no move of the whole tube brings it in, and of soft tube.
 */
export function standingInWay(
  run: Run,
  tube: TubePoints,
  parts: readonly Beside[],
  others: readonly TubePoints[],
): readonly string[] {
  const move = lastMoveOf(run);
  if (!move) return [];
  const moved = SHARES.map((share) => tube.points.map((p) => move(p, share)));
  const gapTo = (points: readonly Vec[], part: Beside): number =>
    points.reduce((least, p) => {
      const near = part.cylinder ? nearestInCylinder(p, part.cylinder) : nearestInBox(p, part.box);
      return Math.min(least, distance(p, near));
    }, Infinity) - tube.radius_mm;
  const between = (points: readonly Vec[], other: TubePoints): number =>
    points.reduce(
      (least, p) => other.points.reduce((n, q) => Math.min(n, distance(p, q)), least),
      Infinity,
    ) -
    tube.radius_mm -
    other.radius_mm;
  const meets = (gap: (points: readonly Vec[]) => number): boolean =>
    gap(tube.points) > TOUCHES_MM && moved.some((points) => gap(points) < 0);
  return [
    ...new Set([
      ...parts.filter((b) => meets((points) => gapTo(points, b))).map((b) => b.component),
      ...others.filter((o) => o.id !== tube.id && meets((p) => between(p, o))).map((o) => o.id),
    ]),
  ];
}
