import type { Via } from '../design';
import { add, cross, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import { setBack } from '../tubing';
import { draftsBetween, priceOf, tollOfDraft, type Draft, type FewBends } from './fewBends';
import type { WayFound } from './rigidRoute';
import type { EndWay } from './ends';
import type { Route } from './routed';
import { bare } from './shortcuts';
import { slidTo } from './holds';
import { legPasses, passesAll } from './waypoints';

type Axis = 0 | 1 | 2;
const AXES: readonly Axis[] = [0, 1, 2];
/** A leg lies in a plane when it is no farther from it than this, mm. */
const IN_PLANE_MM = 0.6;
const EPS = 1e-6;
/** Ways kept for each plane that is asked for, and ways looked at in space, cheapest first. */
const MOST_WAYS = 40,
  MOST_LOOKS = 80;
/** Levels of other runs that a leg is tried at, and how far a line goes on, mm. */
const MOST_LEVELS = 6,
  FAR_MM = 2000;
/** Angles of a sidestep behind a fitting. */
const SIDESTEP_DEG = [90, 45];

/** A way that follows a hand, and whether it is free; if it is not, it is the cheapest there is. */
export interface Followed {
  readonly way: WayFound;
  readonly isFree: boolean;
}

/** Whether a run can be followed in closed form: every place to pass is a plane or a point. */
export const canFollow = (vias: readonly Via[]): boolean =>
  vias.every((via) => planeOf(via) ?? pointOf(via));

/**
 * The way that lay before, with legs of it put into the planes and to the points that are asked for
 * (`canFollow`): the legs beside grow or shrink, one aslant slides along them, and where an end leg
 * is moved the tube steps aside behind its fitting. In closed form, so that it keeps up with a hand.
 * Null where no such way passes every place in order; one that does, but meets something, is told as
 * not free.
 */
export function followed(
  was: Pick<Route, 'corners' | 'from' | 'to'>,
  vias: readonly Via[],
  asked: FewBends,
): Followed | null {
  let ways: readonly (readonly Vec[])[] = [was.corners];
  for (const via of vias)
    ways = ways
      .flatMap((way) => (passesOne(way, via) ? [way] : movedTo(way, via, was, asked)))
      .slice(0, MOST_WAYS);
  const only = vias.length === 1 ? planeOf(vias[0] as Via) : null;
  const all = [...ways, ...(only ? throughPlane(was, only, asked) : [])];
  return cheapestFree(all, vias, was, asked);
}

/** The cheapest of ways that pass every place and meet nothing; else the cheapest of all. */
function cheapestFree(
  ways: readonly (readonly Vec[])[],
  vias: readonly Via[],
  { from, to }: Pick<Route, 'from' | 'to'>,
  asked: FewBends,
): Followed | null {
  const priced = ways.flatMap((corners) => {
    const price = priceOf(corners, from, to, { ...asked, under: Infinity });
    return price && passesAll(vias, corners) ? [{ ...price, corners, from, to }] : [];
  });
  priced.sort((a, b) => a.cost - b.cost);
  const [cheapest] = priced;
  if (!cheapest) return null;
  const wayAt = ({ corners }: Pick<Draft, 'corners'>, cost: number): WayFound => ({
    corners,
    from,
    to,
    cost,
    expanded: 0,
  });
  let best: WayFound | null = null;
  for (const draft of priced.slice(0, MOST_LOOKS)) {
    if (best && draft.cost >= best.cost) break;
    const cost = draft.cost + tollOfDraft(draft, asked);
    if (cost < (best?.cost ?? Infinity)) best = wayAt(draft, cost);
  }
  return best
    ? { way: best, isFree: true }
    : { way: wayAt(cheapest, cheapest.cost), isFree: false };
}

/**
 * Ways over a leg that lies in a plane: along either of its axes and either way, level with an end,
 * a leg of the way before or another run, and joined to both ends by two bends at most.
 */
function throughPlane(
  was: Pick<Route, 'corners' | 'from' | 'to'>,
  { axis, at_mm }: Plane,
  asked: FewBends,
): readonly (readonly Vec[])[] {
  const { from, to } = was;
  const plain = { ...asked, under: Infinity };
  const inner = AXES.filter((k) => k !== axis);
  return inner.flatMap((along) => {
    const [beside] = inner.filter((k) => k !== along) as [Axis];
    const lines = new Set(
      [...was.corners.map((c) => c[beside]), ...nearestOf(asked.level[beside], from, beside)].map(
        Math.round,
      ),
    );
    return [...lines].flatMap((line) =>
      [1, -1].flatMap((sense) => {
        const way = [0, 0, 0] as [number, number, number];
        way[along] = sense;
        const onLine = (v: number): Vec => {
          const p = [0, 0, 0] as [number, number, number];
          p[axis] = at_mm;
          p[beside] = line;
          p[along] = v;
          return p;
        };
        const far = onLine(from.mouth[along] + sense * FAR_MM);
        return draftsBetween([from], [bare(far, scale(way, -1))], plain).flatMap((first) => {
          const corners = first.corners.slice(0, -1);
          // Past the bend onto the line.
          const { radius_mm, between_mm, atFitting_mm } = asked.limits;
          const past = radius_mm + Math.max(0, between_mm - atFitting_mm);
          const start = add(corners.at(-1) as Vec, scale(way, past));
          return draftsBetween([bare(start, way)], [to], plain).map((second) => [
            ...corners,
            ...second.corners.slice(1),
          ]);
        });
      }),
    );
  });
}

/** Coordinates of other runs that are nearest to an end, the nearest first. */
const nearestOf = (level: readonly number[], { mouth }: EndWay, axis: Axis): readonly number[] =>
  [...new Set(level.map(Math.round))]
    .sort((a, b) => Math.abs(a - mouth[axis]) - Math.abs(b - mouth[axis]))
    .slice(0, MOST_LEVELS);

interface Plane {
  readonly axis: Axis;
  readonly at_mm: number;
}

/** The plane that a place to pass stands for; null where it is a line or a point. */
function planeOf(via: Via): Plane | null {
  const set = AXES.flatMap((axis) => {
    const at_mm = via[axis];
    return at_mm === null ? [] : [{ axis, at_mm }];
  });
  return set.length === 1 ? (set[0] as Plane) : null;
}

/** Whether a leg lies across an axis: in one of its planes. */
const isAcross = (a: Vec, b: Vec, axis: Axis): boolean => Math.abs(a[axis] - b[axis]) < IN_PLANE_MM;

const passesOne = (way: readonly Vec[], via: Via): boolean =>
  way.slice(1).some((b, i) => legPasses(via, way[i] as Vec, b));

/** The place to pass that is a point; null where it leaves a coordinate open. */
const pointOf = (via: Via): Vec | null => (via.every((v) => v !== null) ? (via as Vec) : null);

/** The ways that a way becomes when one of its legs, whichever, is put where it passes a place. */
function movedTo(
  way: readonly Vec[],
  via: Via,
  ends: Pick<Route, 'from' | 'to'>,
  asked: FewBends,
): (readonly Vec[])[] {
  const plane = planeOf(via),
    point = pointOf(via);
  if (plane) return movedInto(way, plane, ends, asked);
  if (!point) return [];
  return way.slice(1).flatMap((_, leg) => {
    const slid = slidTo(way, leg, point);
    return slid ? [slid] : [];
  });
}

/** The ways that a way becomes when one of its legs, whichever, is put into a plane. */
function movedInto(
  way: readonly Vec[],
  plane: Plane,
  ends: Pick<Route, 'from' | 'to'>,
  asked: FewBends,
): (readonly Vec[])[] {
  const { axis, at_mm } = plane;
  return way.slice(1).flatMap((b, leg) => {
    const a = way[leg] as Vec;
    if (!isAcross(a, b, axis)) return [];
    const by = [0, 0, 0];
    by[axis] = at_mm - a[axis];
    const step = by as unknown as Vec,
      along = unit(sub(b, a));
    // Each half from the leg outwards: what is moved with it, and what the end then asks for.
    const before = movedHalf(way.slice(0, leg + 1).reverse(), along, step, ends.from, asked),
      after = movedHalf(way.slice(leg + 1), along, step, ends.to, asked);
    return before.flatMap((x) => after.map((y) => straightened([...[...x].reverse(), ...y])));
  });
}

/**
 * Half a way, from its moved leg, which lies `along`, to its end: the next leg aslant in the plane of
 * the step grows, or corners move along until a leg that points the same way takes up the step; where
 * none does, the tube steps aside right behind its fitting.
 */
function movedHalf(
  half: readonly Vec[],
  along: Vec,
  step: Vec,
  end: EndWay,
  asked: FewBends,
): readonly (readonly Vec[])[] {
  const grown = grownHalf(half, along, step);
  return [...(grown ? [grown] : []), ...shiftedHalf(half, step, end, asked)];
}

/** Half a way whose leg next to the moved one is aslant and takes up the step by its length. */
function grownHalf(half: readonly Vec[], along: Vec, step: Vec): readonly Vec[] | null {
  const [a, b] = half;
  if (!a || !b) return null;
  const way = unit(sub(b, a));
  const normal = cross(along, way);
  const isFlat = Math.abs(dot(step, normal)) < EPS * norm(step);
  // Along either leg nothing grows by this.
  if (norm(normal) < EPS || Math.abs(dot(way, along)) < EPS || !isFlat) return null;
  const by = dot(cross(step, along), normal) / dot(cross(way, along), normal);
  return [add(a, scale(way, by)), ...half.slice(1)];
}

function shiftedHalf(
  half: readonly Vec[],
  step: Vec,
  { direction: out }: EndWay,
  asked: FewBends,
): readonly (readonly Vec[])[] {
  const way = unit(step);
  const last = half.length - 1;
  const takesUp = half
    .slice(0, last)
    .findIndex((a, i) => Math.abs(dot(unit(sub(half[i + 1] as Vec, a)), way)) > 1 - EPS);
  if (takesUp >= 0) return [half.map((c, i) => (i <= takesUp ? add(c, step) : c))];
  const end = half[last] as Vec;
  const { atFitting_mm, radius_mm } = asked.limits;
  return SIDESTEP_DEG.map((deg) => {
    const first = add(end, scale(out, atFitting_mm + setBack(radius_mm, deg)));
    const beside = add(add(first, step), deg === 90 ? [0, 0, 0] : scale(out, norm(step)));
    return [...half.slice(0, last).map((c) => add(c, step)), beside, first, end];
  });
}

/** Without corners that are none: on one another, or on the line between their neighbours. */
function straightened(way: readonly Vec[]): readonly Vec[] {
  const kept: Vec[] = [];
  for (const corner of way) {
    for (let before = kept.at(-1); before; before = kept.at(-1)) {
      const further = kept.at(-2);
      const isSame = norm(sub(corner, before)) < IN_PLANE_MM / 10;
      const isOnLine =
        further !== undefined &&
        !isSame &&
        dot(unit(sub(before, further)), unit(sub(corner, before))) > 1 - EPS;
      if (!isOnLine) break;
      kept.pop();
    }
    const before = kept.at(-1);
    if (!before || norm(sub(corner, before)) >= IN_PLANE_MM / 10) kept.push(corner);
  }
  return kept;
}
