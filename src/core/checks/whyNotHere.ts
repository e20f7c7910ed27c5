import type { ComponentPart } from '../components';
import type { Design } from '../design';
import { hostsFor } from '../matching';
import { formatMillimetres } from '../units';
import { listOr, msg } from '../messages';
import { defaultPlacements, whyNoMount } from './places';

/**
 * What keeps a part out of this build as it is, before anything is measured; null when nothing
 * does. Without a case nothing but what parts are made for counts.
 */
export function whyNotHere(design: Design, part: ComponentPart): string | null {
  const { case: box } = design;
  switch (part.kind) {
    case 'block':
      return whyNotBlock(design, part);
    case 'board':
      return box && !box.boardStandards.includes(part.standard)
        ? msg`${box.name} has no stand-offs for ${part.standard}`
        : null;
    case 'radiator':
      return isHomeless(design, part) ? radiatorWords(design, part) : null;
    case 'card':
      return box && part.size[0] > box.interior[0]
        ? msg`it is ${formatMillimetres(part.size[0])} long, ${box.name}
          ${formatMillimetres(box.interior[0])} deep`
        : noPlace(design, part);
    case 'fan':
    case 'pump':
    case 'reservoir':
      return noPlace(design, part);
    default:
      return null;
  }
}

const isHomeless = (design: Design, part: ComponentPart): boolean =>
  design.case !== null && defaultPlacements(design, { id: '', part }).length === 0;

const noPlace = (design: Design, part: ComponentPart): string | null =>
  isHomeless(design, part) ? msg`no free place for it in this build` : null;

function radiatorWords(design: Design, part: ComponentPart): string {
  const mounts = whyNoMount(design, { id: '', part });
  return mounts.length > 0 ? mounts.join('; ') : msg`the case has no mount for radiators`;
}

function whyNotBlock(design: Design, part: ComponentPart): string | null {
  if (part.kind !== 'block') return null;
  const [best] = hostsFor(design, part);
  return best?.verdict === 'misfits'
    ? msg`made for ${listOr(best.made)} (${best.of}); ${best.host.name} has ${best.has ?? '–'}`
    : null;
}

/** Parts that fit this build first, the rest with the reason; both in the order they came. */
export function byFit<P extends ComponentPart>(
  design: Design,
  parts: readonly P[],
): {
  readonly fit: readonly P[];
  readonly not: readonly { readonly part: P; readonly why: string }[];
} {
  const judged = parts.map((part) => ({ part, why: whyNotHere(design, part) }));
  return {
    fit: judged.flatMap(({ part, why }) => (why === null ? [part] : [])),
    not: judged.flatMap(({ part, why }) => (why === null ? [] : [{ part, why }])),
  };
}
