import type { HolePattern } from '../components';
import { msg, worded } from '../messages';

/**
 * Clearance holes, mm. M3 and M4: ISO 273, medium row, from memory; UNC 6-32: 0.150 in, ASME
 * B18.2.8 normal fit, from memory.
 */
export const CLEARANCE: Readonly<Record<string, number>> = { M3: 3.4, M4: 4.5, 'UNC 6-32': 3.8 };

export interface BracketAsk {
  /** Holes it is screwed to: a fan's pitch (the same both ways) or a place's pattern. */
  readonly under: HolePattern;
  /** Holes of what stands on it. */
  readonly over: HolePattern;
  readonly underThread: string;
  readonly overThread: string;
  /** Middle of what stands on it from the middle of the holes under it, mm. */
  readonly offset: { readonly x_mm: number; readonly z_mm: number };
  readonly thickness_mm: number;
  /** Edge of the plate beyond the outermost holes' middles, mm. */
  readonly margin_mm: number;
  /** Opening in the middle for a port or cable, mm across; 0 for none. */
  readonly opening_mm: number;
}

export interface BracketHole {
  readonly x_mm: number;
  readonly z_mm: number;
  readonly diameter_mm: number;
  readonly of: 'under' | 'over' | 'opening';
}
/** What is wrong with a plate: kept text, the number and its limit, mm. */
export interface BracketTrouble {
  readonly says: string;
  readonly measured_mm: number;
  readonly limit_mm: number;
}
export interface Bracket {
  readonly width_mm: number;
  readonly height_mm: number;
  readonly corner_mm: number;
  readonly holes: readonly BracketHole[];
  readonly troubles: readonly BracketTrouble[];
}

/**
 * Least metal between two holes, in plate thicknesses and in mm; least from a hole's edge to the
 * plate's, in hole widths (common practice, no source).
 */
const WEB_THICKNESSES = 1,
  LEAST_WEB_MM = 2.5,
  EDGE_WIDTHS = 0.75;

/**
 * A flat plate with both hole patterns: outline and holes from its lower left corner, mm. What
 * makes it weak or impossible is told.
 */
export function drawBracket(ask: BracketAsk): Bracket {
  const four = (p: HolePattern, dx: number, dz: number): readonly (readonly [number, number])[] =>
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(
      ([sx, sz]) =>
        [dx + ((sx as number) * p.x_mm) / 2, dz + ((sz as number) * p.z_mm) / 2] as const,
    );
  const { offset } = ask;
  const under = four(ask.under, 0, 0),
    over = four(ask.over, offset.x_mm, offset.z_mm);
  const xs = [...under, ...over].map((p) => p[0]),
    zs = [...under, ...over].map((p) => p[1]);
  const half = ask.opening_mm / 2;
  const left = Math.min(...xs, offset.x_mm - half) - ask.margin_mm,
    right = Math.max(...xs, offset.x_mm + half) + ask.margin_mm;
  const low = Math.min(...zs, offset.z_mm - half) - ask.margin_mm,
    high = Math.max(...zs, offset.z_mm + half) + ask.margin_mm;
  const hole = (
    [x, z]: readonly [number, number],
    diameter_mm: number,
    of: BracketHole['of'],
  ): BracketHole => ({ x_mm: x - left, z_mm: z - low, diameter_mm, of });
  const same = (p: readonly [number, number], q: readonly [number, number]): boolean =>
    Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.05;
  const underSize = CLEARANCE[ask.underThread] ?? 4.5,
    overSize = CLEARANCE[ask.overThread] ?? 4.5;
  const holes = [
    ...under.map((p) =>
      hole(p, Math.max(underSize, over.some((q) => same(p, q)) ? overSize : 0), 'under'),
    ),
    ...over.filter((q) => !under.some((p) => same(p, q))).map((p) => hole(p, overSize, 'over')),
    ...(ask.opening_mm > 0 ? [hole([offset.x_mm, offset.z_mm], ask.opening_mm, 'opening')] : []),
  ];
  return {
    width_mm: right - left,
    height_mm: high - low,
    corner_mm: Math.min(ask.margin_mm, 8),
    holes,
    troubles: [...webs(holes, ask), ...edges(ask)],
  };
}

const NAMES = worded(
  () => ({ under: msg`the case`, over: msg`the part`, opening: msg`the opening` }) as const,
);

function webs(holes: readonly BracketHole[], ask: BracketAsk): readonly BracketTrouble[] {
  const limit_mm = Math.max(LEAST_WEB_MM, WEB_THICKNESSES * ask.thickness_mm);
  return holes
    .flatMap((a, i) =>
      holes.slice(i + 1).flatMap((b): BracketTrouble[] => {
        const web =
          Math.hypot(a.x_mm - b.x_mm, a.z_mm - b.z_mm) - (a.diameter_mm + b.diameter_mm) / 2;
        return web >= limit_mm
          ? []
          : [
              {
                says:
                  web < 0
                    ? msg`A hole for ${NAMES[a.of]} runs into one for ${NAMES[b.of]}. Move the
                      part on the plate by a few millimetres.`
                    : msg`Too little metal is left between a hole for ${NAMES[a.of]} and one for
                      ${NAMES[b.of]}.`,
                measured_mm: web,
                limit_mm,
              },
            ];
      }),
    )
    .filter((t, i, all) => all.findIndex((u) => u.says === t.says) === i);
}

function edges(ask: BracketAsk): readonly BracketTrouble[] {
  const widest = Math.max(CLEARANCE[ask.underThread] ?? 4.5, CLEARANCE[ask.overThread] ?? 4.5),
    limit_mm = widest / 2 + EDGE_WIDTHS * widest;
  return ask.margin_mm >= limit_mm
    ? []
    : [
        {
          says: msg`The holes are too near the edge of the plate.`,
          measured_mm: ask.margin_mm,
          limit_mm,
        },
      ];
}
