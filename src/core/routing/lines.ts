import type { Box, Vec } from '../geometry';
import type { EndWay } from './ends';
import type { TubeLimits } from './rigidRoute';
import type { Obstacle } from './workspace';

type Lines = readonly [readonly number[], readonly number[], readonly number[]];

/**
 * Filler lines so far apart where nothing else asks for one; lines nearer to each other than this
 * are one, mm.
 */
const FILL_MM = 60,
  MERGE_MM = 1.5;
/** Most lines an axis. */
const MOST = 32,
  MOST_LED = 56;

/**
 * Where a right-angled way may bend: level with the mouths of both ends and a bend's length before
 * them, beside what is in the way, level with runs that are there already, where the builder asked
 * (`asked`), now and then in open room, and level with ends that a slanting leg brings about
 * (`led`).
 */
export function bendLines(
  bounds: Box,
  blocks: readonly Obstacle[],
  ends: readonly EndWay[],
  limits: TubeLimits,
  level: Lines,
  asked: Lines = [[], [], []],
  endLines: readonly EndWay[] = [],
): Lines {
  const { radius_mm: r, atFitting_mm: s, between_mm: b } = limits;
  const near = aroundEnds(bounds, ends);
  return ([0, 1, 2] as const).map((axis) => {
    const low = bounds.min[axis],
      high = bounds.max[axis];
    const kept: number[] = [];
    const take = (values: Iterable<number>, merge: number, most = MOST): void => {
      for (const v of values)
        if (
          kept.length < most &&
          v >= low - 1e-9 &&
          v <= high + 1e-9 &&
          kept.every((k) => Math.abs(k - v) >= merge)
        )
          kept.push(v);
    };
    // The mouths themselves are never merged away.
    take(
      ends.map((e) => e.mouth[axis]),
      1e-6,
    );
    take(asked[axis], 1e-6);
    take(
      ends.flatMap((e) => [
        e.mouth[axis] + e.direction[axis] * (s + r),
        e.mouth[axis] + e.direction[axis] * (s + 3 * r + b),
      ]),
      MERGE_MM,
    );
    take(
      ends.flatMap((e) => [-1, 1].map((k) => e.mouth[axis] + k * (2 * r + b))),
      MERGE_MM,
    );
    take(level[axis], MERGE_MM);
    take(
      blocks
        .filter((x) => x.penalty === Infinity)
        .flatMap((x) => [x.min[axis], x.max[axis]])
        .filter((v) => v >= near.min[axis] && v <= near.max[axis])
        .sort((x, y) => x - y),
      4,
    );
    const fill: number[] = [];
    for (let v = low + 2; v < high; v += FILL_MM) fill.push(v);
    take(fill, FILL_MM / 2);
    take(
      endLines.map((e) => e.mouth[axis]),
      1e-6,
      MOST_LED,
    );
    return kept.sort((x, y) => x - y);
  }) as unknown as Lines;
}

/** The room between the ends and a good way round it. */
function aroundEnds(bounds: Box, ends: readonly EndWay[]): Box {
  const at = (i: 0 | 1 | 2, sign: 1 | -1): number =>
    sign < 0
      ? Math.max(bounds.min[i], Math.min(...ends.map((e) => e.mouth[i])) - DETOUR_MM)
      : Math.min(bounds.max[i], Math.max(...ends.map((e) => e.mouth[i])) + DETOUR_MM);
  return {
    min: [at(0, -1), at(1, -1), at(2, -1)] as Vec,
    max: [at(0, 1), at(1, 1), at(2, 1)] as Vec,
  };
}
const DETOUR_MM = 160;
