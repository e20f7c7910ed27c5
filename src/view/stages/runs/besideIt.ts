import type { Run } from '@/core/tubing';
import type { Ghost } from '../elevation/Elevation';

/** The route of the picked run, to be drawn beside the soft tube where it lies otherwise. */
export function routeBeside(run: Run | undefined): readonly Ghost[] {
  return run?.routed?.lies
    ? [{ key: `${run.id} as routed`, path: run.routed.path, wide_mm: run.tube.outer_mm }]
    : [];
}
