import type { CasePart } from '../components';

/** Watts that one section of 120 mm takes quietly (common practice, no source). */
export const WATTS_A_SECTION = 100;
const SECTION_MM2 = 120 * 120;

/** What a case holds of radiators at most, before anything stands in it. */
export interface CaseRoom {
  readonly box: CasePart;
  /** The largest radiator of each mount, as fans: mount's name, how many, how wide in mm. */
  readonly largest: readonly {
    readonly mount: string;
    readonly count: number;
    readonly size_mm: number;
  }[];
  /** All of them together in sections of 120 mm, by area. */
  readonly sections: number;
}

/** The largest row of each mount of a case; mounts that clash with one another are not told apart. */
export function roomOfCase(box: CasePart): CaseRoom {
  const largest = box.mounts.flatMap((m) => {
    const rows = [...m.fans].sort(
      (a, b) => b.count * b.size_mm ** 2 - a.count * a.size_mm ** 2 || b.size_mm - a.size_mm,
    );
    const [row] = rows;
    return row ? [{ mount: m.name, count: row.count, size_mm: row.size_mm }] : [];
  });
  const area_mm2 = largest.reduce((sum, r) => sum + r.count * r.size_mm ** 2, 0);
  return { box, largest, sections: area_mm2 / SECTION_MM2 };
}

/**
 * Cases for so many watts (≥ 0), best first: those that hold a section of 120 mm for every 100 W,
 * the smallest of them first; then the rest, the roomiest first.
 */
export function casesForHeat(
  cases: readonly CasePart[],
  heat_W: number,
): readonly (CaseRoom & { readonly isEnough: boolean })[] {
  const wanted = heat_W / WATTS_A_SECTION;
  return cases
    .map((box) => {
      const room = roomOfCase(box);
      return { ...room, isEnough: room.sections >= wanted };
    })
    .sort(
      (a, b) =>
        Number(b.isEnough) - Number(a.isEnough) ||
        (a.isEnough ? a.box.volume_L - b.box.volume_L : b.sections - a.sections) ||
        a.box.id.localeCompare(b.box.id),
    );
}
