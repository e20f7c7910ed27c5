import { bodyGap, boxCentre, closestPoints, norm, sub, type Body, type Vec } from '../geometry';
import type { MountFace } from '../components';
import type { System } from '../system';
import type { Gap } from './gaps';

/** Where a gap is to be seen: the two points that are nearest to each other, mm in the case. */
export interface GapLine {
  readonly gap: Gap;
  readonly from: Vec;
  readonly to: Vec;
}

/** Axis of each wall, and the side of the case it closes. */
const WALL: Partial<Record<MountFace, readonly [axis: 0 | 1 | 2, side: 'min' | 'max']>> = {
  front: [0, 'max'],
  rear: [0, 'min'],
  bottom: [1, 'min'],
  top: [1, 'max'],
  side: [2, 'max'],
  tray: [2, 'min'],
};

/**
 * The nearest gap of a part in each of the six directions as lines in space, nearest first; at most
 * so many.
 */
export function gapLines(
  system: System,
  gaps: readonly Gap[],
  part: string,
  most = 6,
): readonly GapLine[] {
  return gaps
    .filter((g) => g.a === part || g.b === part)
    .slice()
    .sort((a, b) => a.gap_mm - b.gap_mm)
    .flatMap((gap): GapLine[] => {
      const other = gap.a === part ? gap.b : gap.a;
      const line = lineTo(system, part, other);
      return line ? [{ gap, from: line[0], to: line[1] }] : [];
    })
    .filter(
      (line, i, all) => all.findIndex((other) => directionOf(other) === directionOf(line)) === i,
    )
    .slice(0, most);
}

/** Where a line mostly goes: along which axis and which way; "none" where things touch. */
function directionOf({ from, to }: GapLine): string {
  const by = sub(to, from);
  if (norm(by) < TOUCHING_MM) return 'none';
  const axis = [0, 1, 2].reduce(
    (most, i) => (Math.abs(by[i as 0] as number) > Math.abs(by[most as 0] as number) ? i : most),
    0,
  );
  return `${axis}${(by[axis as 0] as number) > 0 ? '+' : '-'}`;
}
const TOUCHING_MM = 0.05;

const bodiesOf = (system: System, id: string): readonly Body[] =>
  system.placed.get(id)?.solids ?? system.obstacles.filter((o) => o.component === id);

function lineTo(system: System, part: string, other: string): readonly [Vec, Vec] | null {
  const own = bodiesOf(system, part);
  const others = bodiesOf(system, other);
  let nearest: readonly [Body, Body] | null = null,
    least = Infinity;
  for (const a of own)
    for (const b of others) {
      const gap = bodyGap(a, b);
      if (gap < least) [least, nearest] = [gap, [a, b]];
    }
  if (nearest) return closestPoints(nearest[0], nearest[1]);
  const wall = WALL[other.replace(/^case:/, '') as MountFace];
  const inside = system.design.case?.interior;
  return wall && inside ? lineToWall(own, wall, inside) : null;
}

/** From the part's nearest face straight to a wall. */
function lineToWall(
  own: readonly Body[],
  [axis, side]: readonly [0 | 1 | 2, 'min' | 'max'],
  inside: Vec,
): readonly [Vec, Vec] | null {
  const reach = (b: Body): number => (side === 'max' ? b.box.max[axis] : -b.box.min[axis]);
  const [first] = own;
  if (!first) return null;
  const body = own.reduce((a, b) => (reach(b) > reach(a) ? b : a), first);
  const from: [number, number, number] = [...boxCentre(body.box)];
  from[axis] = body.box[side][axis];
  const to: [number, number, number] = [...from];
  to[axis] = side === 'max' ? inside[axis] : 0;
  return [from, to];
}
