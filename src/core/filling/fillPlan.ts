import { msg } from '../messages';

/** A loop as filling sees it: a reservoir, and what its pump pushes coolant into. */
export interface FilledLoop {
  /** Whole reservoir, and what is in it at its mark, mL. */
  readonly reservoir_mL: number;
  readonly mark_mL: number;
  /** All else: tubes, blocks, radiators, the pump, mL. */
  readonly rest_mL: number;
  /** Air that stays in pockets whatever the pump does, mL: freed by tilting. */
  readonly trapped_mL: number;
  /** What the pump moves into an empty loop, L/min. */
  readonly flow_Lmin: number;
}

/** Pour, then run the pump so long, then stop. */
export interface Pulse {
  readonly pour_mL: number;
  readonly run_s: number;
  /** In the reservoir when the pump stops, mL. */
  readonly left_mL: number;
  /** In the rest of the loop by then, mL. */
  readonly filled_mL: number;
}

export interface FillPlan {
  readonly pulses: readonly Pulse[];
  /** Poured in all until the mark is reached, mL. */
  readonly poured_mL: number;
  /** Poured later, as the pockets give up their air, mL. */
  readonly topUp_mL: number;
  /** Least that ever stands in the reservoir while the pump runs, mL. */
  readonly least_mL: number;
}

/**
 * Left in the reservoir when the pump is stopped, as a share of it: below that the outlet may draw
 * air (common practice, no source: a fifth).
 */
export const KEEP_SHARE = 0.2;
/** The pump is stopped by hand: it is told to stop this early, s. */
const REACTION_S = 1;
/** Shorter pulses than this nobody can time, s. */
const SHORTEST_S = 1;
const MOST_PULSES = 200;

/** Why a loop cannot be filled by pulses; null when it can. */
export function fillTrouble({ reservoir_mL, flow_Lmin }: FilledLoop): string | null {
  if (!(reservoir_mL > 0)) return msg`The loop has no reservoir to pour into.`;
  if (!(flow_Lmin > 0)) return msg`The pump moves nothing: see Flow.`;
  const takes_s = ((1 - KEEP_SHARE) * reservoir_mL) / perSecond(flow_Lmin);
  return takes_s < SHORTEST_S + REACTION_S
    ? msg`The pump empties this reservoir in a blink: slow it down to fill.`
    : null;
}

const perSecond = (flow_Lmin: number): number => (1000 * flow_Lmin) / 60;

/**
 * Start, so many seconds on, top up, repeat, from the loop's volumes: the pump never draws the
 * reservoir below its fifth. Every mL poured is in the reservoir or in the loop. Empty where
 * `fillTrouble` says why.
 */
export function fillPlan(loop: FilledLoop): FillPlan {
  const { reservoir_mL, mark_mL, trapped_mL } = loop;
  const wanted_mL = Math.max(0, loop.rest_mL - trapped_mL);
  const keep_mL = KEEP_SHARE * reservoir_mL;
  const rate = perSecond(loop.flow_Lmin);
  const pulses: Pulse[] = [];
  let inReservoir = 0,
    filled = 0,
    poured = 0,
    least = Infinity;
  if (fillTrouble(loop) === null)
    while (filled < wanted_mL - 1e-9 && pulses.length < MOST_PULSES) {
      const pour_mL = reservoir_mL - inReservoir;
      const canMove = reservoir_mL - keep_mL - rate * REACTION_S;
      const moves = Math.min(canMove, wanted_mL - filled);
      inReservoir = reservoir_mL - moves;
      filled += moves;
      poured += pour_mL;
      least = Math.min(least, inReservoir);
      pulses.push({ pour_mL, run_s: moves / rate, left_mL: inReservoir, filled_mL: filled });
    }
  // The last pour brings the reservoir to its mark; what is above it is drawn off.
  const last_mL = mark_mL - inReservoir;
  return {
    pulses,
    poured_mL: poured + last_mL,
    topUp_mL: trapped_mL,
    least_mL: Number.isFinite(least) ? least : 0,
  };
}
