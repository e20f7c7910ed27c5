import type { Run } from '../tubing';
import { cross, norm, scale, sub, unit, type Vec } from '../geometry';

/** What a hand errs by: a mark by 1 mm, an angle and a turn of the tube by 2° (common practice, no source). */
export const MARK_ERROR_MM = 1,
  ANGLE_ERROR_DEG = 2;

/** How far off the far end of a run may come out. */
export interface FarEnd {
  /** Root of the sum of squares of all errors, mm. */
  readonly off_mm: number;
  /** All errors at their worst and the same way, mm. */
  readonly worst_mm: number;
  /** Of the far end's direction, root of the sum of squares, degrees. */
  readonly askew_deg: number;
}

/**
 * What errors of the marks, the angles and the turns between bends do at the far end of a tube, to
 * first order: a mark shifts all behind it along its leg, an angle and a turn swing all behind it
 * about the bend and about the leg. Null while the run is not routed.
 */
export function farEndOf(run: Pick<Run, 'routed'>): FarEnd | null {
  const path = run.routed?.path ?? [];
  const last = path[path.length - 1];
  if (!last) return null;
  const arcs = path.flatMap((s) => (s.kind === 'arc' ? [s] : []));
  const angle = (ANGLE_ERROR_DEG * Math.PI) / 180;
  const moves: number[] = [];
  let askew = 0;
  for (const [i, bend] of arcs.entries()) {
    moves.push(MARK_ERROR_MM);
    moves.push(norm(cross(bend.axis, sub(last.to, bend.centre))) * angle);
    askew += ANGLE_ERROR_DEG ** 2;
    if (i === 0) continue;
    const leg = legBefore(bend);
    moves.push(norm(cross(leg, sub(last.to, bend.from))) * angle);
    askew += ANGLE_ERROR_DEG ** 2;
  }
  return {
    off_mm: Math.sqrt(moves.reduce((s, m) => s + m * m, 0)),
    worst_mm: moves.reduce((s, m) => s + m, 0),
    askew_deg: Math.sqrt(askew),
  };
}

/** Direction of the tube where a bend begins. */
const legBefore = (bend: { readonly axis: Vec; readonly from: Vec; readonly centre: Vec }): Vec =>
  unit(scale(cross(bend.axis, sub(bend.from, bend.centre)), 1));
