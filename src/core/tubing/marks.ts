import { arcLength, type BendRow } from './bend';

/** Where to put the pen: distances from the first end of the tube as it is cut, mm. */
export interface BendMark {
  readonly start_mm: number;
  readonly end_mm: number;
  readonly rotation_deg: number;
  readonly angle_deg: number;
  readonly radius_mm: number;
}
export interface MarkedTube {
  readonly cut_mm: number;
  readonly marks: readonly BendMark[];
}

/**
 * A bent run is cut longer by this much at its far end and trimmed when it is bent, mm (common
 * practice, no source).
 */
export const TRIM_MM = 15;

/** What a run of hard tube is cut longer by: straight runs are cut to length. */
export const trimFor = ({
  tube,
  bends,
}: {
  readonly tube: { readonly hard: boolean };
  readonly bends: number;
}): number => (tube.hard && bends > 0 ? TRIM_MM : 0);

/**
 * Marks on a straight tube for its bends. `grip_mm`: how deep each end sits in its fitting, beyond
 * the way measured from mouth to mouth.
 */
export function bendMarks(
  rows: readonly Omit<BendRow, 'corner'>[],
  last_mm: number,
  grip_mm: number,
): MarkedTube {
  let at = grip_mm;
  const marks = rows.map((row): BendMark => {
    const start_mm = at + row.length_mm,
      end_mm = start_mm + arcLength(row.radius_mm, row.angle_deg);
    at = end_mm;
    const { rotation_deg, angle_deg, radius_mm } = row;
    return { start_mm, end_mm, rotation_deg, angle_deg, radius_mm };
  });
  return { cut_mm: at + last_mm + grip_mm, marks };
}
