import { findComponent, type Edit } from '../design';
import { msg } from '../messages';
import type { Finding, Fix } from './diagnostic';
import { METAL_NAMES, METAL_VERDICTS, type MetalPair } from '../corrosion';
import { formatNumber } from '../units';
import { nameOf, type CheckInputs } from './inputs';

/** Parts of the Stores of the same shape without the metal at fault. */
export function replacements(context: CheckInputs, component: string, metal: string): Fix[] {
  const found = findComponent(context.design, component);
  if (!found || !('wetted' in found.part)) return [];
  const now = found.part;
  const like = context.offer.find(
    (p) =>
      p.kind === now.kind &&
      'wetted' in p &&
      p.wetted.every((w) => w.metal !== metal) &&
      (p.kind !== 'radiator' ||
        now.kind !== 'radiator' ||
        (p.section_mm === now.section_mm &&
          p.sections === now.sections &&
          p.size[2] <= now.size[2] &&
          p.holeGap_mm === now.holeGap_mm &&
          p.core.finMetal !== 'aluminium')) &&
      (p.kind !== 'block' || now.kind !== 'block' || p.cools.join() === now.cools.join()),
  );
  return like && like.kind === now.kind
    ? [
        {
          label: msg`Put in ${like.name} instead`,
          edit: { do: 'component.replace', component, part: like } as Edit,
        },
      ]
    : [];
}

/** Less metal that dissolves than the nobler has: it goes the faster. */
const areaWords = (ratio: number): string =>
  ratio < 1
    ? msg`its area is ${formatNumber(ratio, { decimals: 2 })} times the nobler metal's, which
        speeds it up.`
    : msg`its area is ${formatNumber(ratio, { decimals: 1 })} times the nobler metal's.`;

/** A pair of metals in the words of a finding, with the reason against it. */
export function tellPair(
  context: CheckInputs,
  pair: MetalPair,
): Pick<Finding, 'subjects' | 'title' | 'detail' | 'measured' | 'limit' | 'unit'> {
  const nobler = pair.dissolves === pair.a ? pair.b : pair.a,
    against = METAL_VERDICTS.find((v) => v.id === pair.reason);
  const names = (pair.carriers[pair.dissolves] ?? []).map((id) =>
    nameOf(context, id.replace(/^fitting:/, '')),
  );
  return {
    subjects: [...(pair.carriers[pair.a] ?? []), ...(pair.carriers[pair.b] ?? [])].filter(
      (id) => !id.startsWith('fitting:'),
    ),
    title: msg`${METAL_NAMES[pair.dissolves]} and ${METAL_NAMES[nobler]} share one coolant`.replace(
      /^./,
      (c) => c.toUpperCase(),
    ),
    detail: msg`${formatNumber(pair.difference_V, { decimals: 2 })} V apart,
      ${formatNumber(pair.limit_V, { decimals: 2 })} V allowed. ${against?.because ?? ''} The
      ${METAL_NAMES[pair.dissolves]} of ${names.join(', ')} dissolves; ${areaWords(pair.areaRatio)}`,
    measured: pair.difference_V,
    limit: pair.limit_V,
    unit: 'V',
  };
}
