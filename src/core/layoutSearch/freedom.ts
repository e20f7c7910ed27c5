import type { Component, Edit, MayMove } from '../design';
import type { Vec } from '../geometry';
import { isWet } from '../components';

const STAYS: MayMove = { turn: false, slide_mm: 0 };
/** What slides so far may stand anywhere in its case, mm. */
export const ANYWHERE_MM = 2000;
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

/** Where a part stands, along its rail or in the case, as slides are counted; null where none slides. */
export function homeOf({ placement }: Pick<Component, 'placement'>): Vec | null {
  if (placement.on === 'mount') return [placement.slide_mm, 0, 0];
  return placement.on === 'free' ? placement.at : null;
}

/** Whether a place lies within so far of home, along every axis. */
export const isNearHome = (
  placement: Component['placement'],
  home: Vec | null,
  slide_mm: number,
): boolean => {
  const at = homeOf({ placement });
  return (
    home === null ||
    at === null ||
    at.every((v, i) => Math.abs(v - (home[i] as number)) <= slide_mm + 1e-9)
  );
};

/** The edit that keeps where the builder put a part that a search moves; null where none slides. */
export function keepHome(component: Component): Edit | null {
  const home = homeOf(component);
  const may = freedomOf(component);
  return home === null
    ? null
    : {
        do: 'component.set',
        component: component.id,
        values: { mayMove: { ...may, home: may.home ?? home } },
      };
}
