import { listAnd, msg, worded, sentences } from '../messages';
import type { Bracket, BracketAsk } from './plate';

/** Shown wherever a bracket is drawn or printed (cautions of the trade). */
export const BRACKET_CAUTIONS: readonly string[] = worded(() => [
  msg`Saws, snips and cut sheet metal: wear gloves and eye protection, clamp the sheet, deburr
    every edge and hole.`,
  msg`Work outside the case: filings on a board short it. Wash and dry the plate before it goes
    in.`,
  msg`Unplug the machine and wait before you work in it.`,
  msg`A full reservoir is heavy: 370 mL of coolant and its tube hang on four screws. Hold the
    case level until all are tight.`,
]);

/** How to make it, in order. Lengths in mm. */
export function bracketSteps(ask: BracketAsk, plate: Bracket): readonly string[] {
  const drills = [
    ...new Set(plate.holes.filter((h) => h.of !== 'opening').map((h) => h.diameter_mm)),
  ].sort((a, b) => a - b);
  const grip = ask.thickness_mm;
  return [
    msg`Print the drawing at full size and check the ruler on it: 100 mm must measure 100 mm. If
      it does not, print again without "fit to page".`,
    msg`Cut a plate of ${round(plate.width_mm)} × ${round(plate.height_mm)} mm from sheet of
      ${round(grip)} mm: aluminium or steel. It stays dry, so its metal does not matter to the
      loop.`,
    msg`Glue the print on with a glue that washes off. Punch every centre.`,
    sentences(
      msg`Drill 2 mm first, then ${listAnd(drills.map(round))} mm.`,
      ask.opening_mm > 0 &&
        msg`Cut the opening of ${round(ask.opening_mm)} mm with a step drill or hole saw,
          slowly.`,
    ),
    msg`Round the corners, deburr both sides of every hole, wash off paper and glue.`,
    msg`Screw the part to the plate first (${ask.overThread}), then the plate to the case
      (${ask.underThread}). Heads that stand under the part need a countersink or spacers.`,
    msg`Check that the holes in the case are threaded or leave room for nuts. Put a rubber
      washer under each to keep the pump's hum out of the case.`,
  ];
}

const round = (v: number): string => String(Math.round(v * 10) / 10);
