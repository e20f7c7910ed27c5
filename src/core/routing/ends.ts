import type { EndPiece, KitDuty } from '../design';
import type { FittingDuty, FittingPart } from '../components';
import { add, cross, scale, type Vec } from '../geometry';

/** A piece of an end: a fitting or adapter, or one leg of an elbow, as a cylinder. */
export interface EndBody {
  readonly duty: FittingDuty;
  readonly from: Vec;
  readonly to: Vec;
  readonly radius: number;
}

/** One way a run can leave a port: what is screwed in, and where and whither the tube starts. */
export interface EndWay {
  readonly piece: Exclude<EndPiece, 'auto'>;
  readonly duties: readonly FittingDuty[];
  readonly bodies: readonly EndBody[];
  /** Mouth of the last fitting, and the direction the tube leaves it by. */
  readonly mouth: Vec;
  readonly direction: Vec;
  /** What its pieces are worth in millimetres of tube. */
  readonly cost: number;
}

/**
 * Prices of pieces in millimetres of straight tube: a builder takes an elbow when it saves about so
 * much (common practice, no source).
 */
const PIECE_COST: Record<Exclude<EndPiece, 'auto'>, number> = {
  straight: 0,
  rotary90: 70,
  rotary45: 60,
  extender: 40,
};
const HALF = Math.SQRT1_2;

export interface EndKit {
  readonly fitting: FittingPart;
  readonly kit: Readonly<Record<KitDuty, FittingPart>>;
}

/**
 * All ways out of a port; only those with the wished piece where one is set. `slanted`: also elbows
 * of 45°, and turns in between.
 */
export function endWays(
  at: Vec,
  direction: Vec,
  wish: EndPiece,
  { fitting, kit }: EndKit,
  slanted: boolean,
): readonly EndWay[] {
  const pieces: readonly EndWay['piece'][] =
    wish === 'auto'
      ? ['straight', 'rotary90', ...(slanted ? ['rotary45' as const] : []), 'extender']
      : [wish];
  return pieces.flatMap((piece): EndWay[] => {
    if (piece === 'straight') return [way(piece, [], at, direction, fitting)];
    const adapter = kit[piece];
    if (piece === 'extender') {
      const to = add(at, scale(direction, adapter.length_mm));
      return [
        way(
          piece,
          [{ duty: 'extender', from: at, to, radius: adapter.diameter_mm / 2 }],
          to,
          direction,
          fitting,
        ),
      ];
    }
    // An elbow's outlet lies half its own width below its height; it reaches as far out.
    const arm =
      piece === 'rotary90' ? adapter.length_mm - adapter.diameter_mm / 2 : adapter.length_mm / 2;
    const corner = add(at, scale(direction, arm));
    return sideways(direction, slanted ? 8 : 4).map((side): EndWay => {
      const out = piece === 'rotary90' ? side : add(scale(direction, HALF), scale(side, HALF));
      const exit = add(corner, scale(out, arm)),
        radius = adapter.diameter_mm / 2;
      return way(
        piece,
        [
          { duty: piece, from: at, to: corner, radius },
          { duty: piece, from: corner, to: exit, radius },
        ],
        exit,
        out,
        fitting,
      );
    });
  });
}

function way(
  piece: EndWay['piece'],
  before: readonly EndBody[],
  at: Vec,
  direction: Vec,
  fitting: FittingPart,
): EndWay {
  const mouth = add(at, scale(direction, fitting.length_mm));
  return {
    piece,
    duties: [...(piece === 'straight' ? [] : [piece as FittingDuty]), fitting.duty],
    bodies: [
      ...before,
      { duty: fitting.duty, from: at, to: mouth, radius: fitting.diameter_mm / 2 },
    ],
    mouth,
    direction,
    cost: PIECE_COST[piece],
  };
}

/** Directions across another one, evenly round it. */
export function sideways(direction: Vec, count: number): readonly Vec[] {
  const u: Vec = Math.abs(direction[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const raw = cross(direction, u),
    length = Math.hypot(...raw);
  const a = scale(raw, 1 / length),
    b = cross(direction, a);
  return Array.from({ length: count }, (_, i) => {
    const t = (2 * Math.PI * i) / count;
    return tidy(add(scale(a, Math.cos(t)), scale(b, Math.sin(t))));
  });
}

/** No dust of rounding on directions along the axes. */
const tidy = (v: Vec): Vec => [clean(v[0]), clean(v[1]), clean(v[2])];
const clean = (x: number): number => {
  if (Math.abs(x) < 1e-12) return 0;
  if (Math.abs(x - 1) < 1e-12) return 1;
  if (Math.abs(x + 1) < 1e-12) return -1;
  return x;
};
