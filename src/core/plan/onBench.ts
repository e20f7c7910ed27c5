import { dot, sub, type Vec } from '../geometry';
import { onArc, type Segment } from '../tubing';

/** The way a bend is drawn round the mandrel, as seen from the end that is held. */
export type BendWay = 'left' | 'right';

/** How a tube lies over the bench while it is bent. */
export interface OnBench {
  /** The way round that keeps what is formed higher; either for a flat tube. */
  readonly way: BendWay | 'either';
  /** The lowest that what is formed comes below the tube that way, mm. */
  readonly below_mm: number;
  /** At which bend, from 0. */
  readonly bend: number;
}

/** Points of an arc looked at. */
const ARC_POINTS = 12;
/** Less than this is flat, mm. */
const FLAT_MM = 1;

/**
 * What is formed already while each bend is made: the tube lies along the bench, its plane of the
 * bend is the bench's top, and all in front of the bend swings with it. Bent to the right, the bend's
 * axis points up (with the way from the first end it turns left); to the left, down. Null without
 * bends.
 *
 * @param path middle line from the first end to the held one, mm
 */
export function onBench(path: readonly Segment[]): OnBench | null {
  const lows = path.flatMap((piece, at) =>
    piece.kind === 'arc' ? [lowsAt(piece, path.slice(0, at))] : [],
  );
  if (lows.length === 0) return null;
  const right = lowestOf(lows.map((l) => l.right)),
    left = lowestOf(lows.map((l) => l.left));
  if (Math.max(right.below_mm, left.below_mm) < FLAT_MM) return { way: 'either', ...right };
  return right.below_mm <= left.below_mm ? { way: 'right', ...right } : { way: 'left', ...left };
}

type Arc = Extract<Segment, { kind: 'arc' }>;

/** How far what is formed lies below the tube at a bend, bent either way, mm; 0 for all above. */
function lowsAt(
  bend: Arc,
  formed: readonly Segment[],
): { readonly right: number; readonly left: number } {
  const heights = formed.flatMap(pointsOf).map((p) => dot(sub(p, bend.from), bend.axis));
  return { right: Math.max(0, ...heights.map((h) => -h)), left: Math.max(0, ...heights) };
}

function lowestOf(lows: readonly number[]): Pick<OnBench, 'below_mm' | 'bend'> {
  const below_mm = Math.max(...lows);
  return { below_mm, bend: lows.indexOf(below_mm) };
}

function pointsOf(piece: Segment): readonly Vec[] {
  if (piece.kind === 'line') return [piece.from, piece.to];
  return Array.from({ length: ARC_POINTS + 1 }, (_, i) => onArc(piece, i / ARC_POINTS));
}
