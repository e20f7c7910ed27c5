import { priceIn, type Brief } from '../design';
import type { CoolantPart } from '../components';

/** What to pour together for so much coolant, mL. */
export interface Mix {
  readonly concentrate_mL: number;
  readonly water_mL: number;
  readonly bottles: number;
}

/**
 * By volume: one part of concentrate to so many of distilled water. Ready coolant is its own
 * concentrate.
 */
export function mixFor(coolant: CoolantPart, volume_mL: number): Mix {
  const water = coolant.waterParts ?? 0,
    concentrate_mL = volume_mL / (1 + water);
  return {
    concentrate_mL,
    water_mL: volume_mL - concentrate_mL,
    bottles: volume_mL > 0 ? Math.ceil(concentrate_mL / coolant.bottle_mL - 1e-9) : 0,
  };
}

/** What a coolant without an inhibitor is changed after, months (common practice, no source). */
const PLAIN_MONTHS = 12;
export const YEARS_COMPARED = 3;

/** How often a coolant is changed, months. */
export const changeEvery = (coolant: CoolantPart): number =>
  coolant.inhibitor_months > 0 ? coolant.inhibitor_months : PLAIN_MONTHS;

export interface CoolantCost {
  readonly fills: number;
  /** Minor units over three years, water for concentrate not counted. */
  readonly total_minor: number;
  readonly perLitre_minor: number;
}

/** Fills over three years, the first one counted, and what their bottles come to. */
export function coolantCost(
  coolant: CoolantPart,
  volume_mL: number,
  brief: Pick<Brief, 'exchange'> = {},
): CoolantCost {
  const price_minor = priceIn(brief, coolant.price_minor);
  const fills = Math.max(1, Math.ceil((12 * YEARS_COMPARED) / changeEvery(coolant) - 1e-9));
  return {
    fills,
    total_minor: fills * mixFor(coolant, volume_mL).bottles * price_minor,
    perLitre_minor: Math.round(
      (1000 * price_minor) / (coolant.bottle_mL * (1 + (coolant.waterParts ?? 0))),
    ),
  };
}

/** How a coolant behaves beside its temperature, in words (common practice, no source). */
export function coolantHabits(coolant: CoolantPart): {
  readonly stains: 'no' | 'soft tube' | 'much';
  readonly clogs: 'no' | 'may settle' | 'fine fins and filters';
} {
  const whatItStains = () => {
    if (coolant.look === 'clear') return 'no';
    if (coolant.look === 'dyed') return 'soft tube';
    return 'much';
  };
  const whatItClogs = () => {
    if (coolant.look === 'clear') return 'no';
    if (coolant.look === 'dyed') return 'may settle';
    return 'fine fins and filters';
  };
  return {
    stains: whatItStains(),
    clogs: whatItClogs(),
  };
}
