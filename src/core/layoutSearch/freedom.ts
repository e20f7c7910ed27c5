import type { Component, MayMove } from '../design';
import { isWet } from '../components';

const STAYS: MayMove = { turn: false, slide_mm: 0 };
/** How far what stands free, or hangs on a rail, may slide where the builder said nothing, mm. */
const SLIDE_MM = 40;

/**
 * What a search may do with a part: as the builder set it, or as its kind lets it. Radiators may be
 * turned end for end and slide on their rails; reservoirs, pumps and plates that stand may turn and
 * slide a little; all else stays.
 */
export function freedomOf({ part, placement, settings }: Component): MayMove {
  if (!isWet(part)) return STAYS;
  if (settings.mayMove) return settings.mayMove;
  if (part.kind === 'radiator')
    return placement.on === 'mount' ? { turn: true, slide_mm: SLIDE_MM } : STAYS;
  if (part.kind !== 'reservoir' && part.kind !== 'pump' && part.kind !== 'inline') return STAYS;
  if (placement.on === 'free') return { turn: true, slide_mm: SLIDE_MM };
  return placement.on === 'spot' || placement.on === 'against'
    ? { turn: true, slide_mm: 0 }
    : STAYS;
}
