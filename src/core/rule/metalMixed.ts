import { ANODIC_INDEX, METAL_NAMES } from '../metal';
import { formatNumber } from '../quantity';
import type { Edit } from '../build';
import type { Fix } from '../finding';
import { nameOf, type BuildRule, type RuleContext } from './context';

/** Parts of the Stores of the same shape without the metal at fault. */
function replacements(context: RuleContext, item: string, metal: string): Fix[] {
  const found = context.build.items.find((i) => i.id === item);
  if (!found || !('wetted' in found.part)) return [];
  const now = found.part;
  const like = context.offer.find((p) => p.kind === now.kind && 'wetted' in p && p.wetted.every((w) => w.metal !== metal)
    && (p.kind !== 'radiator' || now.kind !== 'radiator' || (p.section_mm === now.section_mm && p.sections === now.sections && p.size[2] <= now.size[2] && p.holeGap_mm === now.holeGap_mm && p.core.finMetal !== 'aluminium'))
    && (p.kind !== 'block' || now.kind !== 'block' || p.cools.join() === now.cools.join()));
  return like && like.kind === now.kind ? [{ label: `Put in ${like.name} instead`, edit: { do: 'item.replace', item, part: like } as Edit }] : [];
}

export const metalMixed: BuildRule = {
  code: 'metal.mixed', severity: 'fails', stage: 'materials',
  meaning: 'Two wetted metals in one loop lie farther apart on the anodic index than the coolant allows, so the less noble one dissolves. Aluminium with copper, brass or nickel fails whatever the inhibitor. Change one of the carriers.',
  source: 'Anodic index as reprinted from MIL-STD-889 / MIL-F-14072, from memory',
  check: (context) => context.metals.pairs.filter((p) => p.verdict !== 'holds').map((pair) => {
    const nobler = pair.dissolves === pair.a ? pair.b : pair.a;
    const names = (pair.carriers[pair.dissolves] ?? []).map((id) => nameOf(context, id.replace(/^fitting:/, '')));
    return {
      severity: pair.verdict === 'fails' ? 'fails' as const : 'tight' as const,
      subjects: [...(pair.carriers[pair.a] ?? []), ...(pair.carriers[pair.b] ?? [])].filter((id) => !id.startsWith('fitting:')),
      title: `${METAL_NAMES[pair.dissolves]} and ${METAL_NAMES[nobler]} share one coolant`.replace(/^./, (c) => c.toUpperCase()),
      detail: `${formatNumber(pair.difference_V, { decimals: 2 })} V apart, ${formatNumber(pair.limit_V, { decimals: 2 })} V allowed. The ${METAL_NAMES[pair.dissolves]} of ${names.join(', ')} dissolves; its area is ${formatNumber(pair.areaRatio, { decimals: pair.areaRatio < 1 ? 2 : 1 })} times the nobler metal's${pair.areaRatio < 1 ? ', which speeds it up' : ''}. Use one family throughout: copper, brass and nickel, or aluminium alone.`,
      measured: pair.difference_V, limit: pair.limit_V, unit: 'V',
      fixes: ANODIC_INDEX[pair.dissolves] > 0.6 ? (pair.carriers[pair.dissolves] ?? []).flatMap((id) => replacements(context, id, pair.dissolves)) : [],
    };
  }),
};
