import type { Design, Edit, KitDuty } from '../design';
import type { FittingPart } from '../components';

/**
 * All fittings of a build changed for those of one family, in one edit; and what the family has no
 * like for, which stays as it is.
 */
export interface FamilyChange {
  readonly edit: Edit;
  readonly stays: readonly string[];
}

const KIT: readonly KitDuty[] = [
  'plug',
  'drain',
  'fill',
  'maleToMale',
  'rotary45',
  'rotary90',
  'extender',
];

/** The same duty, and for tube the same size; of several the one nearest in length. */
const likeOf = (part: FittingPart, family: readonly FittingPart[]): FittingPart | undefined =>
  family
    .filter(
      (f) =>
        f.duty === part.duty &&
        (!part.tube ||
          (f.tube?.outer_mm === part.tube.outer_mm && f.tube.inner_mm === part.tube.inner_mm)),
    )
    .sort(
      (a, b) => Math.abs(a.length_mm - part.length_mm) - Math.abs(b.length_mm - part.length_mm),
    )[0];

/** Families on offer, by name; fittings without one are the plain family. */
export const PLAIN_FAMILY = 'plain';
export const familyOf = (part: FittingPart): string => part.family ?? PLAIN_FAMILY;

export function familyChange(
  design: Design,
  family: string,
  offer: readonly FittingPart[],
): FamilyChange {
  const own = offer.filter((f) => familyOf(f) === family),
    edits: Edit[] = [],
    stays: string[] = [];
  const change = (part: FittingPart, edit: (next: FittingPart) => Edit): void => {
    if (familyOf(part) === family) return;
    const next = likeOf(part, own);
    if (next) edits.push(edit(next));
    else if (!stays.includes(part.name)) stays.push(part.name);
  };
  for (const loop of design.loops)
    change(loop.fitting, (fitting) => ({ do: 'loop.fitting', loop: loop.id, fitting }));
  for (const duty of KIT) change(design.kit[duty], (fitting) => ({ do: 'kit.set', duty, fitting }));
  return { edit: { do: 'batch', edits }, stays };
}
