import type { EndPiece, KitDuty } from '../design';
import { adaptersOf } from '../tubing';
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
  extendedRotary90: 120,
  doubleRotary45: 130,
};
const HALF = Math.SQRT1_2;

export interface EndKit {
  readonly fitting: FittingPart;
  readonly kit: Readonly<Record<KitDuty, FittingPart>>;
}

/**
 * All ways out of a port; only those with the wished piece where one is set. `slanted`: also elbows
 * of 45°, and turns in between. `stacked`: also two adapters on each other.
 */
export function endWays(
  at: Vec,
  direction: Vec,
  wish: EndPiece,
  endKit: EndKit,
  slanted: boolean,
  stacked = false,
): readonly EndWay[] {
  return piecesFor(wish, slanted, stacked).flatMap((piece) =>
    stacksOf(piece, at, direction, endKit.kit, slanted).map((stack) =>
      way(piece, stack.bodies, stack.at, stack.direction, endKit.fitting),
    ),
  );
}

function piecesFor(wish: EndPiece, slanted: boolean, stacked: boolean): readonly EndWay['piece'][] {
  if (wish !== 'auto') return [wish];
  return [
    'straight',
    'rotary90',
    ...(slanted ? ['rotary45' as const] : []),
    'extender',
    ...(stacked ? (['extendedRotary90', 'doubleRotary45'] as const) : []),
  ];
}

/** Adapters in a port, and where and whither the fitting goes on from there. */
interface Stack {
  readonly bodies: readonly EndBody[];
  readonly at: Vec;
  readonly direction: Vec;
}

/** Every way adapters may be turned in their port. */
function stacksOf(
  piece: EndWay['piece'],
  at: Vec,
  direction: Vec,
  kit: EndKit['kit'],
  slanted: boolean,
): readonly Stack[] {
  const none: Stack = { bodies: [], at, direction };
  const turns = slanted ? 8 : 4;
  switch (piece) {
    case 'straight':
      return [none];
    case 'extender':
      return [extended(none, kit.extender)];
    case 'rotary90':
    case 'rotary45':
      return turned(none, kit[piece], piece, turns);
    case 'extendedRotary90':
      return turned(extended(none, kit.extender), kit.rotary90, 'rotary90', turns);
    case 'doubleRotary45':
      return turned(none, kit.rotary45, 'rotary45', turns).flatMap((first) =>
        turned(first, kit.rotary45, 'rotary45', 4).filter((second) =>
          isAlongAxis(second.direction),
        ),
      );
  }
}

const isAlongAxis = (d: Vec): boolean => Math.max(...d.map(Math.abs)) > 1 - 1e-6;

function extended(
  { bodies, at, direction }: Stack,
  { length_mm, diameter_mm }: FittingPart,
): Stack {
  const to = add(at, scale(direction, length_mm));
  return {
    bodies: [...bodies, { duty: 'extender', from: at, to, radius: diameter_mm / 2 }],
    at: to,
    direction,
  };
}

/**
 * An elbow turned every way: its outlet lies half its own width below its height, and it reaches as
 * far out.
 */
function turned(
  { bodies, at, direction }: Stack,
  { length_mm, diameter_mm }: FittingPart,
  duty: 'rotary90' | 'rotary45',
  turns: number,
): readonly Stack[] {
  const arm = duty === 'rotary90' ? length_mm - diameter_mm / 2 : length_mm / 2;
  const corner = add(at, scale(direction, arm)),
    radius = diameter_mm / 2;
  return sideways(direction, turns).map((side): Stack => {
    const out = duty === 'rotary90' ? side : tidy(add(scale(direction, HALF), scale(side, HALF)));
    const exit = add(corner, scale(out, arm));
    return {
      bodies: [
        ...bodies,
        { duty, from: at, to: corner, radius },
        { duty, from: corner, to: exit, radius },
      ],
      at: exit,
      direction: out,
    };
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
    duties: [...adaptersOf(piece), fitting.duty],
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
