import type { Run } from '@/core/tubing';
import type { Vec } from '@/core/geometry';
import type { Ghost } from '../elevation/Elevation';

/** How the picked run lies when only its fittings hold it, to be drawn beside its route. */
export function lyingGhost(run: Run | undefined): readonly Ghost[] {
  const points = run?.routed?.lies?.points ?? [];
  if (!run || points.length < 2) return [];
  return [
    {
      key: `${run.id} as it lies`,
      path: points.slice(1).map((to, i) => ({ kind: 'line', from: points[i] as Vec, to })),
      wide_mm: run.tube.outer_mm,
    },
  ];
}
