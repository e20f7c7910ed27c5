import type { Box } from './box';

/** Gap along each axis; negative where the two overlap on it, mm. */
export function axisGaps(a: Box, b: Box): readonly [number, number, number] {
  const gap = (i: 0 | 1 | 2): number => Math.max(b.min[i] - a.max[i], a.min[i] - b.max[i]);
  return [gap(0), gap(1), gap(2)];
}

/**
 * Exact signed distance of two boxes, mm: Euclidean when apart; when they overlap, minus the shortest move along one
 * axis that parts them.
 */
export function boxGap(a: Box, b: Box): number {
  const gaps = axisGaps(a, b);
  const largest = Math.max(...gaps);
  if (largest <= 0) return largest;
  return Math.sqrt(gaps.reduce((sum, g) => sum + (g > 0 ? g * g : 0), 0));
}

/** Room left between a box and the walls it must stay inside, mm; negative by as much as it sticks out. */
export function insideGap(inner: Box, outer: Box): number {
  let least = Infinity;
  for (const i of [0, 1, 2] as const) least = Math.min(least, inner.min[i] - outer.min[i], outer.max[i] - inner.max[i]);
  return least;
}
