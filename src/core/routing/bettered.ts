import type { Vec } from '../geometry';
import { priceOf, tollOfDraft, type FewBends } from './fewBends';
import type { WayFound } from './rigidRoute';
import { passesAll } from './waypoints';

/** A way by its corners, with what it costs in the room where it lies. */
export interface Priced {
  readonly corners: readonly Vec[];
  readonly cost: number;
  readonly angles_deg: readonly number[];
}

/** Other ways between the same ends, by all their corners. */
export type OtherWays = (now: Priced) => readonly (readonly Vec[])[];

/** Rounds in which a way is made better, and drafts that are looked at in space in each. */
const ROUNDS = 6,
  LOOKS = 160;
const EPS = 1e-6;

/**
 * A way made cheaper by other ways that are drawn from it, again and again, while one of them is
 * cheaper, passes the places it must and meets nothing. The same way where none is, or where its own price is not known.
 * Deterministic.
 */
export function bettered(way: WayFound, asked: FewBends, othersOf: OtherWays): WayFound {
  const { from, to } = way;
  const own = priceOf(way.corners, from, to, { ...asked, under: Infinity });
  if (!own) return way;
  const first = own.cost + tollOfDraft({ ...own, corners: way.corners, from, to }, asked);
  if (!Number.isFinite(first)) return way;
  let best: Priced = { ...own, corners: way.corners, cost: first };
  for (let round = 0; round < ROUNDS; round += 1) {
    const better = cheapestOf(othersOf(best), best, way, asked);
    if (!better) break;
    best = better;
  }
  return best.cost < first - EPS
    ? { ...way, corners: best.corners, cost: way.cost - (first - best.cost) }
    : way;
}

/** The cheapest of some ways that is cheaper than the one there is and meets nothing. */
function cheapestOf(
  ways: readonly (readonly Vec[])[],
  now: Priced,
  { from, to }: WayFound,
  asked: FewBends,
): Priced | null {
  const { vias = [] } = asked;
  const drafts: Priced[] = ways.flatMap((corners) => {
    if (vias.length > 0 && !passesAll(vias, corners)) return [];
    const priced = priceOf(corners, from, to, { ...asked, under: now.cost });
    return priced ? [{ ...priced, corners }] : [];
  });
  drafts.sort((a, b) => a.cost - b.cost);
  let best: Priced | null = null;
  for (const draft of drafts.slice(0, LOOKS)) {
    if (draft.cost >= (best?.cost ?? now.cost) - EPS) break;
    const cost = draft.cost + tollOfDraft({ ...draft, from, to }, asked);
    if (cost < (best?.cost ?? now.cost) - EPS) best = { ...draft, cost };
  }
  return best;
}
