import type { Box } from './box';

/** Gap along each axis; negative where the two overlap on it, mm. */
export function axisGaps(a: Box, b: Box): readonly [number, number, number] {
  return [
    Math.max(b.min[0] - a.max[0], a.min[0] - b.max[0]),
    Math.max(b.min[1] - a.max[1], a.min[1] - b.max[1]),
    Math.max(b.min[2] - a.max[2], a.min[2] - b.max[2]),
  ];
}

/**
 * Exact signed distance of two boxes, mm: Euclidean when apart; when they overlap, minus the
 * shortest move along one axis that parts them.
 */
export function boxGap(a: Box, b: Box): number {
  const [x, y, z] = axisGaps(a, b);
  const largest = Math.max(x, y, z);
  if (largest <= 0) return largest;
  const px = Math.max(0, x),
    py = Math.max(0, y),
    pz = Math.max(0, z);
  return Math.sqrt(px * px + py * py + pz * pz);
}

/**
 * Room left between a box and the walls it must stay inside, mm; negative by as much as it sticks
 * out.
 */
export function insideGap(inner: Box, outer: Box): number {
  let least = Infinity;
  for (const i of [0, 1, 2] as const)
    least = Math.min(least, inner.min[i] - outer.min[i], outer.max[i] - inner.max[i]);
  return least;
}
