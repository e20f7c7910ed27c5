import type { Mount } from '../components';

/** What of a radiator or a row of fans decides where its screws are: fans of so many mm in a row. */
interface Screwed {
  readonly size_mm: number;
  readonly section_mm: number;
  readonly sections: number;
  /** From the end that comes first on the rail to the first fan's edge, mm. */
  readonly before_mm: number;
}

/** From and to where a part may be slid along a mount, mm; one place where both are the same. */
export type SlideRange = readonly [least: number, most: number];

/**
 * Where along a mount a part's screws meet its holes: anywhere on a rail of one long slot; within
 * the slots, or at the places of the fans, where the mount has those. Empty where it takes no fans
 * of that size, or not so many.
 */
export function slidesOn(mount: Mount, part: Screwed): readonly SlideRange[] {
  const slack = Math.max(0, mount.length_mm - part.size_mm);
  const { holes } = mount;
  if (!holes) return [[0, slack]];
  const row = mount.fans.find((f) => f.size_mm === part.section_mm);
  if (!row) return [];
  const first = holes.first_mm ?? (mount.length_mm - row.count * row.size_mm) / 2;
  return Array.from({ length: Math.max(0, row.count - part.sections + 1) }, (_, k) => {
    const at = first + k * row.size_mm - part.before_mm;
    return [at - holes.slots_mm, at + holes.slots_mm] as const;
  });
}

/** How a radiator, or fans without one, is screwed to a mount with its ports at one end. */
export function screwedAs(
  part: {
    readonly kind: string;
    readonly size: readonly number[];
    readonly section_mm: number;
    readonly sections?: number;
    readonly finStart_mm?: number;
  },
  ports: 'start' | 'end',
  pieces = 1,
): Screwed {
  const { section_mm } = part;
  if (part.kind === 'fan')
    return { size_mm: section_mm * pieces, section_mm, sections: pieces, before_mm: 0 };
  const sections = part.sections ?? 1,
    start = part.finStart_mm ?? 0,
    size_mm = part.size[0] as number;
  return {
    size_mm,
    section_mm,
    sections,
    before_mm: ports === 'end' ? start : size_mm - start - sections * section_mm,
  };
}

/** The nearest slide at which the screws meet holes; the same where the mount has none for it. */
export function nearestSlide(ranges: readonly SlideRange[], slide_mm: number): number {
  const held = ranges.map(([least, most]) => Math.min(most, Math.max(least, slide_mm)));
  return held.reduce(
    (best, s) => (Math.abs(s - slide_mm) < Math.abs(best - slide_mm) ? s : best),
    held[0] ?? slide_mm,
  );
}

/** A slide further by so much, to where screws meet holes: the next of them where that is none. */
export function nudgedSlide(
  ranges: readonly SlideRange[],
  slide_mm: number,
  by_mm: number,
): number {
  const near = nearestSlide(ranges, slide_mm + by_mm);
  if ((near - slide_mm) * by_mm > 0) return near;
  const beyond = ranges
    .map(([least, most]) => (by_mm > 0 ? least : most))
    .filter((s) => (s - slide_mm) * by_mm > 0);
  return nearestSlide(
    beyond.map((s) => [s, s] as const),
    slide_mm,
  );
}
