import { INSERTION_MM, type Run } from '../tubing';
import { cross, distance, dot, norm, scale, sub, unit, type Vec } from '../geometry';

/** How a formed tube comes into its two fittings. */
export type PutIn =
  /** Both ends are pushed home by one move along a direction they share, or the first is pulled along. */
  | { readonly how: 'together' }
  /** The first end is pushed home, then the other is swung in by a turn about it. */
  | { readonly how: 'swing'; readonly first: 'from' | 'to'; readonly swing_deg: number }
  /** No move of the whole tube does it: the fitting at this end comes off and is screwed in with the tube. */
  | { readonly how: 'loosen'; readonly fitting: 'from' | 'to'; readonly short_mm: number };

/**
 * Play of an end in its collar before it is tightened, mm aside over the depth it sits at, and the
 * tilt it stands, degrees (common practice, no source).
 */
const PLAY_MM = 1.5,
  TILT_DEG = 4;

/**
 * Whether a tube that is bent and stiff passes between its two fittings: a last move of the whole
 * tube along which both ends slide into their fittings, each by the depth it sits at, or the second
 * alone with the first home. A move is a shift and a turn (a twist); along the line between both
 * ends no turn helps, so a tube straight between two facing fittings, or a U whose ends push against
 * each other, has none. What stands beside is looked at by `standingInWay`. Null for a soft tube.
 */
export function putInOf(run: Run): PutIn | null {
  const ends = endsOf(run);
  return ends && putInBetween(ends.from, ends.to);
}

/** Both ends of a stiff tube as it lies; null for a soft one. */
function endsOf(run: Run): { readonly from: TubeEnd; readonly to: TubeEnd } | null {
  const { routed } = run;
  if (!routed || !run.tube.hard || routed.path.length === 0) return null;
  const first = routed.path[0] as (typeof routed.path)[number],
    last = routed.path[routed.path.length - 1] as (typeof routed.path)[number];
  const [from, to] = [into(routed, 'from'), into(routed, 'to')];
  return from && to && { from: { at: first.from, into: from }, to: { at: last.to, into: to } };
}

/** The last move of a tube that goes in whole: where a point of it is so much of the move before. */
export type LastMove = (point: Vec, share: number) => Vec;

/** The last move of a run that goes in together or is swung in; null where none does it. */
export function lastMoveOf(run: Run): LastMove | null {
  const ends = endsOf(run);
  if (!ends) return null;
  const put = putInBetween(ends.from, ends.to);
  if (put.how === 'loosen') return null;
  // Together, either end may be called the first.
  const [first, second] =
    put.how === 'swing' && put.first === 'to' ? [ends.to, ends.from] : [ends.from, ends.to];
  const { slide, turn } = lastMove(first, second);
  return (point, share) =>
    sub(sub(point, scale(slide, share)), scale(cross(turn, sub(point, first.at)), share));
}

/** The way a fitting's last piece takes the tube: against the way it looks out. */
function into(routed: NonNullable<Run['routed']>, end: 'from' | 'to'): Vec | null {
  const piece = routed.pieces.filter((p) => p.end === end).at(-1);
  return piece ? unit(sub(piece.from, piece.to)) : null;
}

export interface TubeEnd {
  readonly at: Vec;
  /** Direction in which the tube is pushed home. */
  readonly into: Vec;
}

/** How a stiff tube comes between two fittings at these places. */
export function putInBetween(from: TubeEnd, to: TubeEnd): PutIn {
  const ways = [
    { first: 'from' as const, move: lastMove(from, to) },
    { first: 'to' as const, move: lastMove(to, from) },
  ];
  const good = ways
    .filter(({ move }) => move.aside_mm <= PLAY_MM && move.tilt_deg <= TILT_DEG)
    .sort((a, b) => a.move.tilt_deg - b.move.tilt_deg);
  const [best] = good;
  if (best && best.move.swing_deg < 0.5) return { how: 'together' };
  if (best) return { how: 'swing', first: best.first, swing_deg: best.move.swing_deg };
  const least = ways.reduce((a, b) => (a.move.aside_mm <= b.move.aside_mm ? a : b));
  return {
    how: 'loosen',
    fitting: least.first === 'from' ? 'to' : 'from',
    short_mm: least.move.aside_mm,
  };
}

/**
 * The last move that brings the second end home by the depth it sits at while the first slides in
 * by a share of it, or not at all: what is left of it aside, and how far the tube tilts and turns.
 */
function lastMove(
  first: TubeEnd,
  second: TubeEnd,
): {
  readonly aside_mm: number;
  readonly tilt_deg: number;
  readonly swing_deg: number;
  /** What the first end slides by, mm, and the turn about it, radians about an axis. */
  readonly slide: Vec;
  readonly turn: Vec;
} {
  const r = sub(second.at, first.at);
  const span = distance(second.at, first.at);
  if (span < 1e-6)
    return { aside_mm: Infinity, tilt_deg: Infinity, swing_deg: Infinity, slide: r, turn: r };
  const along = scale(r, 1 / span);
  const [f1, f2] = [dot(first.into, along), dot(second.into, along)];
  // Of the first end's slide, the share that leaves the least along the line between both; where
  // it slides square to that line, as much of it as the two go the same way.
  const share = Math.abs(f1) < 1e-9 ? dot(first.into, second.into) : f2 / f1;
  const best = Math.max(0, Math.min(1, share));
  const left = sub(second.into, scale(first.into, best));
  const aside_mm = Math.abs(dot(left, along)) * INSERTION_MM;
  // The least turn that moves the second end so: what of it tilts either end out of its line.
  const turn = scale(cross(along, left), INSERTION_MM / span);
  const tilt = (axis: Vec): number => norm(sub(turn, scale(axis, dot(turn, axis))));
  const degrees = 180 / Math.PI;
  return {
    aside_mm,
    tilt_deg: Math.max(tilt(first.into), tilt(second.into)) * degrees,
    swing_deg: norm(turn) * degrees,
    slide: scale(first.into, best * INSERTION_MM),
    turn,
  };
}
