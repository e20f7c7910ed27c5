import type { ListReport } from '../list';

/** One more of something that stops builds when it is missing. */
export interface Spare { readonly part: string; readonly name: string; readonly why: string; readonly price_minor: number }

/** What breaks builds for weeks, with what one more costs (common practice, no source): fittings that drip, plugs that are miscounted, and the elbow one run too few had. */
const REASONS: Readonly<Record<string, string>> = { 'fit-comp': 'one that drips or is dropped', 'fit-hard': 'one whose ring is cut', plug: 'ports are miscounted', rotary: 'one run more often wants an elbow than was thought', extender: 'two ports too close are seen only in the hand', joint: 'two parts turn out to meet' };

/** For every fitting on the list that breaks builds, one more; dear ones last. */
export function spareAdvice(list: ListReport): readonly Spare[] {
  return list.lines.filter((l) => l.kind === 'fitting').flatMap((l): Spare[] => {
    const key = Object.keys(REASONS).find((k) => l.part.includes(k));
    return key ? [{ part: l.part, name: l.name, why: REASONS[key] as string, price_minor: l.unitPrice }] : [];
  }).sort((a, b) => a.price_minor - b.price_minor);
}
