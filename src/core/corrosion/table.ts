import type { Metal } from '../components';
import { msg, worded } from '../messages';

/**
 * Anodic index, V: how far below gold a metal stands. As commonly reprinted from MIL-STD-889 /
 * MIL-F-14072, from memory; reprints differ by up to 0.05 V. A rule of thumb made for damp air,
 * used here for coolant as the trade does.
 */
export const ANODIC_INDEX: Readonly<Record<Metal, number>> = {
  gold: 0,
  silver: 0.15,
  nickel: 0.3,
  copper: 0.35,
  brass: 0.4,
  stainless: 0.5,
  chrome: 0.6,
  tin: 0.65,
  aluminium: 0.9,
  zinc: 1.25,
  // 18-8 types stand together in the reprints.
  stainless316: 0.5,
  silverSolder: 0.35,
  // Electroless nickel as nickel plate (common practice, no source).
  nickelPhosphorus: 0.3,
  steel: 0.85,
  // Its oxide keeps it apart only until it is scratched: counted as aluminium.
  anodisedAluminium: 0.9,
  other: NaN,
};

/** Whether the table knows a metal: what it does not know is not judged. */
export const isJudged = (metal: Metal): boolean => !Number.isNaN(ANODIC_INDEX[metal]);
/** From noble to base, what is not judged last. */
export const byIndex = (a: Metal, b: Metal): number =>
  (isJudged(a) ? ANODIC_INDEX[a] : Infinity) - (isJudged(b) ? ANODIC_INDEX[b] : Infinity) || 0;

export const METAL_NAMES: Readonly<Record<Metal, string>> = worded(() => ({
  gold: msg`gold`,
  silver: msg`silver`,
  nickel: msg`nickel plate`,
  copper: msg`copper`,
  brass: msg`brass`,
  stainless: msg`stainless steel (304)`,
  chrome: msg`chrome plate`,
  tin: msg`tin solder`,
  aluminium: msg`aluminium`,
  zinc: msg`zinc`,
  stainless316: msg`stainless steel (316)`,
  silverSolder: msg`silver solder`,
  nickelPhosphorus: msg`nickel-phosphorus plate`,
  steel: msg`plain steel`,
  anodisedAluminium: msg`anodised aluminium`,
  other: msg`another metal`,
}));

export type Environment = 'harsh' | 'ordinary' | 'controlled';

/**
 * Largest difference allowed, V; a pair right on the limit is allowed and flagged. Same sources,
 * from memory.
 */
export const DIFFERENCE_LIMIT: Readonly<Record<Environment, number>> = {
  harsh: 0.15,
  ordinary: 0.25,
  controlled: 0.5,
};

/** Rounding slack for differences that land on a limit. */
export const LIMIT_SLACK_V = 1e-9;
