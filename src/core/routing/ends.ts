import type { EndPiece, KitDuty } from '../design';
import { adaptersOf, extended, turned, type EndBody, type PieceStack } from '../tubing';
import type { FittingDuty, FittingPart } from '../components';
import { add, scale, type Vec } from '../geometry';

export { sideways, type EndBody } from '../tubing';

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

/** Every way adapters may be turned in their port. */
function stacksOf(
  piece: EndWay['piece'],
  at: Vec,
  direction: Vec,
  kit: EndKit['kit'],
  slanted: boolean,
): readonly PieceStack[] {
  const none: PieceStack = { bodies: [], at, direction };
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
