import type { Via } from '../design';
import { add, cross, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import { legPasses } from './waypoints';

type Axis = 0 | 1 | 2;
const AXES: readonly Axis[] = [0, 1, 2];
/** A leg lies along an axis, or in a plane across one, when it leaves it by no more than this, mm. */
const NEAR_MM = 0.6;
const EPS = 1e-6;
/** Places are kept to a tenth of a millimetre. */
const TENTHS = 10;

/** What of a run is in the hand: one of its legs, one of its corners, or all between its end legs. */
export type Hold = { readonly leg: number } | { readonly corner: number } | 'route';

/** Where a run can be taken hold of, and along which axes of the case that may then be moved. */
export interface Grip {
  readonly hold: Exclude<Hold, 'route'>;
  readonly at: Vec;
  readonly axes: readonly Axis[];
}

/** The axis of the case that a leg lies along; null for one that lies aslant. */
function axisOf(a: Vec, b: Vec): Axis | null {
  const along = AXES.filter((i) => Math.abs(b[i] - a[i]) > EPS);
  return along.length === 1 ? (along[0] ?? null) : null;
}

const legAt = (corners: readonly Vec[], leg: number): readonly [Vec, Vec] => [
  corners[leg] as Vec,
  corners[leg + 1] as Vec,
];
const directionOf = (corners: readonly Vec[], leg: number): Vec => {
  const [a, b] = legAt(corners, leg);
  return unit(sub(b, a));
};
const isInner = (corners: readonly Vec[], leg: number): boolean =>
  leg > 0 && leg < corners.length - 2;
const isAcross = ([a, b]: readonly [Vec, Vec], axis: Axis): boolean =>
  Math.abs(b[axis] - a[axis]) < NEAR_MM;

/**
 * A leg aslant between two legs that lie along axes in its plane can slide: its corners go along
 * those two, and its direction stays. Null for every other leg.
 */
function slideOf(corners: readonly Vec[], leg: number): Slide | null {
  if (!isInner(corners, leg) || axisOf(...legAt(corners, leg)) !== null) return null;
  const axes = [leg - 1, leg + 1].map((k) => axisOf(...legAt(corners, k)));
  const way = directionOf(corners, leg),
    before = directionOf(corners, leg - 1),
    after = directionOf(corners, leg + 1);
  const normal = unit(cross(before, way));
  const isFlat = Math.abs(dot(normal, after)) < EPS;
  if (!isFlat || axes.some((axis) => axis === null)) return null;
  return { way, before, after, normal, axes: [...new Set(axes as Axis[])] };
}

interface Slide {
  readonly way: Vec;
  /** Directions of the legs before and behind. */
  readonly before: Vec;
  readonly after: Vec;
  readonly normal: Vec;
  readonly axes: readonly Axis[];
}

/** How far along `u` a line of direction `way` goes when it is put off by `off`; in one plane. */
const slideBy = ({ way, normal }: Slide, u: Vec, off: Vec): number =>
  dot(cross(off, way), normal) / dot(cross(u, way), normal);

/**
 * A way whose leg aslant slides until it passes a place in its plane. Null where the leg cannot
 * slide, the place is not in its plane, or a leg beside it would turn round.
 */
export function slidTo(corners: readonly Vec[], leg: number, place: Vec): readonly Vec[] | null {
  const slide = slideOf(corners, leg);
  if (!slide) return null;
  const [a, b] = legAt(corners, leg);
  const off = sub(place, a);
  if (Math.abs(dot(off, slide.normal)) > NEAR_MM) return null;
  const c = add(a, scale(slide.before, slideBy(slide, slide.before, off))),
    d = add(b, scale(slide.after, slideBy(slide, slide.after, off)));
  const [start, end] = [corners[leg - 1] as Vec, corners[leg + 2] as Vec];
  const isKept =
    dot(sub(c, start), slide.before) > EPS &&
    dot(sub(end, d), slide.after) > EPS &&
    dot(sub(d, c), slide.way) > EPS;
  return isKept ? [...corners.slice(0, leg), c, d, ...corners.slice(leg + 2)] : null;
}

/**
 * Where a way can be taken hold of: its legs across themselves, one aslant also along the legs
 * beside it; its corners along the legs that meet there, and across those that end at no port.
 *
 * @param corners of the way, mm
 */
export function gripsOf(corners: readonly Vec[]): readonly Grip[] {
  const legs = corners.slice(1).flatMap((b, leg): Grip[] => {
    const a = corners[leg] as Vec;
    const axes = legAxes(corners, leg);
    return axes.length > 0 ? [{ hold: { leg }, at: scale(add(a, b), 0.5), axes }] : [];
  });
  const bends = corners.slice(1, -1).flatMap((at, i): Grip[] => {
    const axes = cornerAxes(corners, i + 1);
    return axes.length > 0 ? [{ hold: { corner: i + 1 }, at, axes }] : [];
  });
  return [...legs, ...bends];
}

function legAxes(corners: readonly Vec[], leg: number): readonly Axis[] {
  const ends = legAt(corners, leg);
  const along = axisOf(...ends);
  if (along !== null) return AXES.filter((axis) => axis !== along);
  if (!isInner(corners, leg)) return [];
  const slides = slideOf(corners, leg)?.axes ?? [];
  return AXES.filter((axis) => slides.includes(axis) || isAcross(ends, axis));
}

function cornerAxes(corners: readonly Vec[], corner: number): readonly Axis[] {
  const legs = [corner - 1, corner];
  const moves = legs.map((leg) => {
    const along = axisOf(...legAt(corners, leg));
    if (along !== null) return isInner(corners, leg) ? AXES.filter((k) => k !== along) : [];
    // A corner of a leg aslant goes along the other of its legs.
    const other = axisOf(...legAt(corners, leg === corner ? corner - 1 : corner));
    return other !== null && slideOf(corners, leg) ? [other] : null;
  });
  return moves.every((axes) => axes !== null)
    ? AXES.filter((axis) => moves.some((axes) => axes?.includes(axis)))
    : [];
}

/** Legs that move with what is held; end legs stay in their ports' lines unless held themselves. */
function legsMoved(hold: Hold, corners: readonly Vec[]): readonly number[] {
  const inner = (leg: number): boolean => isInner(corners, leg);
  if (hold === 'route') return corners.slice(1).flatMap((_, leg) => (inner(leg) ? [leg] : []));
  if ('leg' in hold) return [hold.leg];
  return [hold.corner - 1, hold.corner].filter(inner);
}

/**
 * The places to pass when a part of a way is moved: every leg that moves lies in its plane, put off
 * by so much, or, aslant, passes the place where its middle then is; the rest of the way is free to
 * follow.
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
  const legs = legsMoved(hold, corners);
  const moves = legs.flatMap((leg) => [
    ...planesMoved(corners, leg, by).map((via) => ({ leg, via })),
    ...middleMoved(vias, corners, legs, leg, by).map((via) => ({ leg, via })),
  ]);
  // From the far end: a plane that was just set is on no leg of the way as it lies.
  return moves.reduceRight<readonly Via[]>(
    (set, { leg, via }) => withPlace(set, corners, leg, via),
    vias,
  );
}

/** The planes that a leg lies in once it is moved. */
const planesMoved = (corners: readonly Vec[], leg: number, by: Vec): readonly Via[] =>
  AXES.filter((axis) => by[axis] !== 0 && isAcross(legAt(corners, leg), axis)).map((axis) =>
    planeAt(axis, (corners[leg] as Vec)[axis] + by[axis]),
  );

function planeAt(axis: Axis, at_mm: number): Via {
  const plane = [null, null, null] as [number | null, number | null, number | null];
  plane[axis] = at_mm;
  return plane;
}

/** The place where the middle of a leg aslant then is; none where it neither slides nor had one. */
function middleMoved(
  vias: readonly Via[],
  corners: readonly Vec[],
  legs: readonly number[],
  leg: number,
  by: Vec,
): readonly Via[] {
  const slide = slideOf(corners, leg);
  if (!slide) return [];
  const off = dot(by, slide.normal),
    flat = sub(by, scale(slide.normal, off));
  const slides = norm(cross(flat, slide.way)) > EPS;
  if (!slides && !vias.some((via) => coordinates(via).length === 3 && legOf(via, corners) === leg))
    return [];
  const [a, b] = legAt(corners, leg);
  // Beside a leg that moves as well a corner moves with it; else it goes along that leg.
  const c = legs.includes(leg - 1) ? flat : scale(slide.before, slideBy(slide, slide.before, flat)),
    d = legs.includes(leg + 1) ? flat : scale(slide.after, slideBy(slide, slide.after, flat));
  const middle = add(scale(add(add(a, c), add(b, d)), 0.5), scale(slide.normal, off));
  return [middle.map((v) => Math.round(v * TENTHS) / TENTHS) as unknown as Via];
}

/** Which leg of a way passes a place first; the number of legs when none does. */
function legOf(via: Via, corners: readonly Vec[]): number {
  const leg = corners.slice(1).findIndex((b, i) => legPasses(via, corners[i] as Vec, b));
  return leg < 0 ? corners.length - 1 : leg;
}

const coordinates = (via: Via): readonly Axis[] => AXES.filter((axis) => via[axis] !== null);

/** Whether a new place on a leg takes the place of one that was set before. */
const isReplaced = (was: Via, now: Via): boolean => {
  const [before, after] = [coordinates(was), coordinates(now)];
  return before.length === after.length && before.every((axis) => after.includes(axis));
};

/**
 * The places to pass with one more on a leg: in the order the way passes them, the leg's own old
 * place of that kind given up.
 */
function withPlace(
  vias: readonly Via[],
  corners: readonly Vec[],
  leg: number,
  place: Via,
): readonly Via[] {
  const kept = vias
    .map((via) => ({ via, leg: legOf(via, corners) }))
    .filter(({ via, leg: own }) => !(own === leg && isReplaced(via, place)));
  return [
    ...kept.filter((k) => k.leg <= leg).map((k) => k.via),
    place,
    ...kept.filter((k) => k.leg > leg).map((k) => k.via),
  ];
}

/**
 * The places to pass when a leg of a way is put into another plane: in the order the way passes
 * them, the leg's own old plane given up.
 */
export const withLegAt = (
  vias: readonly Via[],
  corners: readonly Vec[],
  leg: number,
  axis: Axis,
  at_mm: number,
): readonly Via[] => withPlace(vias, corners, leg, planeAt(axis, at_mm));
