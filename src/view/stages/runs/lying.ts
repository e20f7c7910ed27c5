import { asItLies, type AsItLies } from '@/core/routing';
import type { Run } from '@/core/tubing';
import type { Vec } from '@/core/geometry';
import type { Ghost } from '../elevation/Elevation';

const KNOWN = new WeakMap<Run, AsItLies | null>();

/** How a soft tube lies when only its fittings hold it; worked out once for a run. */
export function lyingOf(run: Run): AsItLies | null {
  const known = KNOWN.get(run);
  if (known !== undefined) return known;
  const lies = asItLies(run);
  KNOWN.set(run, lies);
  return lies;
}

/** That, to be drawn beside the route of the picked run. */
export function lyingGhost(run: Run | undefined): readonly Ghost[] {
  const points = run ? (lyingOf(run)?.curve.points ?? []) : [];
  if (!run || points.length < 2) return [];
  return [
    {
      key: `${run.id} as it lies`,
      path: points.slice(1).map((to, i) => ({ kind: 'line', from: points[i] as Vec, to })),
      wide_mm: run.tube.outer_mm,
    },
  ];
}
