import type { Design, KitDuty } from '../design';
import type { Bom } from '.';
import type { FittingDuty } from '../components';
import { msg, worded } from '../messages';

/** One more of something that stops builds when it is missing. */
export interface Spare {
  readonly part: string;
  readonly name: string;
  readonly why: string;
  readonly price_minor: number;
}

/**
 * What breaks builds for weeks (common practice, no source): fittings that drip, plugs that are
 * miscounted, and the elbow one run too few had.
 */
const REASONS: Partial<Record<FittingDuty, string>> = worded(() => ({
  compression: msg`one that drips or is dropped`,
  barb: msg`one that drips or is dropped`,
  'hard-tube': msg`one whose ring is cut`,
  plug: msg`ports are miscounted`,
  rotary90: msg`one run more often wants an elbow than was thought`,
  rotary45: msg`one run more often wants an elbow than was thought`,
  extender: msg`two ports too close are seen only in the hand`,
  maleToMale: msg`two parts turn out to meet`,
}));
const KIT: readonly KitDuty[] = ['plug', 'maleToMale', 'rotary45', 'rotary90', 'extender'];

/** For every fitting on the list that breaks builds, one more; dear ones last. */
export function spareAdvice(design: Design, list: Bom): readonly Spare[] {
  const duties = new Map(
    [...design.loops.map((l) => l.fitting), ...KIT.map((d) => design.kit[d])].map((f) => [
      f.id,
      f.duty,
    ]),
  );
  return list.lines
    .flatMap((l): Spare[] => {
      const duty = duties.get(l.part),
        why = duty && REASONS[duty];
      return why ? [{ part: l.part, name: l.name, why, price_minor: l.unitPrice }] : [];
    })
    .sort((a, b) => a.price_minor - b.price_minor);
}
