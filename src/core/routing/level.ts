import { setBack } from '../tubing';
import { add, norm, scale, type Vec } from '../geometry';
import type { EndWay } from './ends';
import type { TubeLimits } from './rigidRoute';
import { roundedPath, samplePath } from './path';
import { bendPrice, PARALLEL, type RoutePrices } from './prices';
import { tollOf, type Workspace } from './workspace';

/**
 * An end that a right-angled way may begin at: along an axis, or brought onto one by a slanting leg
 * and a bend of 45° behind it.
 */
export interface LevelEnd extends EndWay {
  readonly lead?: { readonly end: EndWay; readonly corner: Vec };
}

const SLANT_DEG = 45,
  STEP_MM = 6,
  EPS = 1e-6;
const axes = [0, 1, 2] as const;
const square = (d: Vec): boolean => d.filter((x) => Math.abs(x) > EPS).length === 1;
/** The two axes a direction of 45° lies between; null for any other. */
const between = (d: Vec): readonly [0 | 1 | 2, 0 | 1 | 2] | null => {
  const own = axes.filter((i) => Math.abs(d[i]) > EPS),
    [a, b] = own;
  return a !== undefined &&
    b !== undefined &&
    own.length === 2 &&
    Math.abs(Math.abs(d[a]) - Math.abs(d[b])) < EPS
    ? [a, b]
    : null;
};

/**
 * Ends as right-angled ways can use them: those along an axis as they are, those of 45° with their
 * first leg and bend made, onto either axis they lie between. That leg is as short as the fitting
 * lets it be, or reaches level with an end at the other side (`others`), so that one bend brings
 * the tube in line.
 */
function levelEnds(
  workspace: Workspace,
  ends: readonly EndWay[],
  others: readonly EndWay[],
  { radius_mm: r, atFitting_mm: s, angles_deg }: TubeLimits,
  bend_mm: number,
): readonly LevelEnd[] {
  const bends45 = !angles_deg || angles_deg.includes(SLANT_DEG);
  const back = setBack(r, SLANT_DEG),
    saved = 2 * back - (r * SLANT_DEG * Math.PI) / 180;
  return ends.flatMap((end): readonly LevelEnd[] => {
    if (square(end.direction)) return [end];
    const own = between(end.direction);
    // A right-angled elbow turned aslant has nothing that one of 45° does not give.
    if (!own || !bends45 || turnsSquare(end.piece)) return [];
    const least = s + back,
      mouths = others
        .flatMap((o) => own.map((i) => (o.mouth[i] - end.mouth[i]) / end.direction[i]))
        .filter((t) => t > least + 1)
        .sort((a, b) => a - b);
    return [...new Set([least, ...mouths.map((t) => Math.round(t * 1e6) / 1e6)])]
      .slice(0, MOST_LEGS)
      .flatMap((t) =>
        own.flatMap((axis): LevelEnd[] => {
          const onward = axes.map((i) =>
            i === axis ? Math.sign(end.direction[i]) : 0,
          ) as unknown as Vec;
          const corner = add(end.mouth, scale(end.direction, t)),
            mouth = add(corner, scale(onward, back));
          const penalty = tollOf(
            workspace,
            samplePath(roundedPath([end.mouth, corner, mouth], r), STEP_MM).slice(1),
          );
          return penalty === Infinity
            ? []
            : [
                {
                  ...end,
                  mouth,
                  direction: onward,
                  cost: end.cost + t + back - saved + bend_mm + penalty,
                  lead: { end, corner },
                },
              ];
        }),
      );
  });
}
const turnsSquare = (piece: EndWay['piece']): boolean =>
  piece === 'rotary90' || piece === 'extendedRotary90' || piece === 'doubleRotary45';
const MOST_LEGS = 3;

/**
 * A soft tube takes its curves elsewhere: here it begins at an end along an axis where it has one.
 */
export function levelled(
  workspace: Workspace,
  ends: readonly EndWay[],
  others: readonly EndWay[],
  limits: TubeLimits,
  hard: boolean,
  prices: RoutePrices = PARALLEL,
): readonly LevelEnd[] {
  const along = hard ? [] : ends.filter((e) => square(e.direction));
  return along.length > 0
    ? along
    : levelEnds(workspace, ends, others, limits, bendPrice(prices, SLANT_DEG));
}

/**
 * Two elbows of 45° that look into each other: one straight piece aslant. Null when none do, or
 * something is in the way.
 */
export function slantBetween(
  workspace: Workspace,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  { atFitting_mm: s }: TubeLimits,
): {
  readonly corners: readonly Vec[];
  readonly from: EndWay;
  readonly to: EndWay;
  readonly cost: number;
} | null {
  let best: ReturnType<typeof slantBetween> = null;
  for (const from of froms)
    for (const to of tos) {
      if (
        square(from.direction) ||
        axes.some((i) => Math.abs(from.direction[i] + to.direction[i]) > EPS)
      )
        continue;
      const all = axes.map((i) => to.mouth[i] - from.mouth[i]) as unknown as Vec,
        far = norm(all);
      if (far < 2 * s || axes.some((i) => Math.abs(all[i] - from.direction[i] * far) > NEAR_MM))
        continue;
      const penalty = tollOf(
          workspace,
          samplePath([{ kind: 'line', from: from.mouth, to: to.mouth }], STEP_MM),
        ),
        cost = far + penalty + from.cost + to.cost;
      if (cost < (best?.cost ?? Infinity))
        best = { corners: [from.mouth, to.mouth], from, to, cost };
    }
  return best;
}
const NEAR_MM = 0.01;

/** Corners of a way between such ends, from the fittings' own mouths. */
export const withEnds = (corners: readonly Vec[], from: LevelEnd, to: LevelEnd): readonly Vec[] => [
  ...(from.lead ? [from.lead.end.mouth, from.lead.corner] : [corners[0] as Vec]),
  ...corners.slice(1, -1),
  ...(to.lead ? [to.lead.corner, to.lead.end.mouth] : [corners[corners.length - 1] as Vec]),
];
