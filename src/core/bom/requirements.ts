import { type ComponentId, priceIn } from '../design';
import type { Bom } from '.';
import type { System } from '../system';
import type { Part } from '../components';

/** What a part costs more than the plainest of the Stores that does the same. */
export interface Requirement {
  readonly component: ComponentId;
  readonly plainest: string;
  readonly name: string;
  readonly more_minor: number;
}

/** Blocks that cover the same part are about as long as each other, as a share. */
const COVER = 0.12;

/** Whether another part stands in the same place and does the same work, whatever its figures. */
function standsIn(a: Part, b: Part): boolean {
  if (a.kind !== b.kind) return false;
  switch (a.kind) {
    case 'radiator':
      return (
        b.kind === 'radiator' &&
        a.section_mm === b.section_mm &&
        a.sections === b.sections &&
        a.holeGap_mm === b.holeGap_mm &&
        a.core.finMetal === b.core.finMetal
      );
    case 'fan':
      return b.kind === 'fan' && a.section_mm === b.section_mm;
    case 'block':
      return (
        b.kind === 'block' &&
        a.cools.join() === b.cools.join() &&
        Math.abs(b.size[0] - a.size[0]) <= COVER * a.size[0] &&
        ([0, 1, 2] as const).every((i) => b.size[i] <= a.size[i] + 2)
      );
    case 'pump':
      return b.kind === 'pump' && (b.points[0]?.[1] ?? 0) >= 0.7 * (a.points[0]?.[1] ?? 0);
    case 'reservoir':
      return (
        b.kind === 'reservoir' && ([0, 1, 2] as const).every((i) => b.size[i] <= a.size[i] + 1)
      );
    case 'inline':
      return b.kind === 'inline' && a.duty === b.duty && a.ports.length === b.ports.length;
    default:
      return false;
  }
}

/** The dearest wishes first: parts to be bought for which the Stores have a plainer one. */
export function requirements(
  { design, placed }: System,
  list: Bom,
  offer: readonly Part[],
): readonly Requirement[] {
  return design.components
    .flatMap((component): Requirement[] => {
      const line = list.lines.find(
        (l) => l.part === component.part.id && !l.owned && l.for.includes(component.id),
      );
      if (!line || line.total === 0) return [];
      const plain = offer
        .filter((p) => p.id !== component.part.id && standsIn(component.part, p))
        .sort((a, b) => a.price_minor - b.price_minor)[0];
      const pieces = component.part.kind === 'fan' ? (placed.get(component.id)?.count ?? 1) : 1;
      const more = plain
        ? priceIn(design.brief, component.part.price_minor - plain.price_minor) * pieces
        : 0;
      return plain && more > 0
        ? [
            {
              component: component.id,
              plainest: plain.id,
              name: plain.name,
              more_minor: Math.round(more),
            },
          ]
        : [];
    })
    .sort((a, b) => b.more_minor - a.more_minor);
}
