import type { ComponentId } from '@/core/design';
import type { Run } from '@/core/tubing';

/** Rounding of the points a tube is measured by, mm. */
const SLACK_MM = 0.05;

/** A radius in a tube that bends by itself is known no better than so. */
export const TIGHT = 0.05;

/** Why a soft tube cannot be left to its fittings. */
export type ClipReason =
  | { readonly why: 'meets'; readonly component: ComponentId; readonly overlap_mm: number }
  | { readonly why: 'tight'; readonly radius_mm: number; readonly limit_mm: number };

/**
 * What a soft tube left to itself does that its route does not: it meets something, or bends
 * tighter than it stands (`limit_mm`); null where it may lie as it likes.
 */
export function clipReason({ routed }: Pick<Run, 'routed'>, limit_mm: number): ClipReason | null {
  const lies = routed?.lies;
  if (!lies) return null;
  const meets = lies.nearest;
  if (meets && meets.gap_mm < -SLACK_MM && (routed.nearest?.gap_mm ?? 0) >= -SLACK_MM)
    return { why: 'meets', component: meets.component, overlap_mm: -meets.gap_mm };
  return lies.leastRadius_mm < limit_mm * (1 - TIGHT)
    ? { why: 'tight', radius_mm: lies.leastRadius_mm, limit_mm }
    : null;
}
