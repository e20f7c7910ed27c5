import { msg } from '../messages';

/*
 * What a build keeps of a run without a route: the same in every language, worded where it is
 * shown. Parts stand in it under their own names.
 */
export const CASE_WALL = 'The wall of the case';
export const ANOTHER_RUN = 'another run';
export const PASS_THROUGH = 'a pass-through in an opening of the case';

/** Tighter bends, mm of radius. */
export const tighterBends = (radius_mm: number): string => `bends of ${Math.round(radius_mm)} mm`;

/** What stands in the way, as kept, in the words of the reader. */
export function inTheWayWords(kept: string): string {
  if (kept === CASE_WALL) return msg`The wall of the case`;
  return kept === ANOTHER_RUN ? msg`another run` : kept;
}

/** What would open a way, as kept, in the words of the reader. */
export function wayOutWords(kept: string): string {
  if (kept === PASS_THROUGH) return msg`a pass-through in an opening of the case`;
  const radius = /^bends of (\d+) mm$/.exec(kept)?.[1];
  return radius === undefined ? kept : msg`bends of ${Number(radius)} mm`;
}
