import type { System } from '@/core/system';
import { middleLine } from '@/core/routing';
import type { Run } from '@/core/tubing';
import { add, distance, scale, type Vec } from '@/core/geometry';

/** Points of a routed run so far apart, mm. */
const ROUTED_STEP_MM = 4;

type Flatten = (p: Vec) => readonly [number, number];

/** A routed run as an SVG path in sheet millimetres. */
export const routedPath = (run: Run, flat: Flatten): string =>
  linePath(middleLine(run, ROUTED_STEP_MM), flat);

/** Points in the case as an SVG path in sheet millimetres. */
export const linePath = (points: readonly Vec[], flat: Flatten): string =>
  points
    .map(
      (p, i) =>
        `${i === 0 ? 'M' : 'L'}${flat(p)
          .map((v) => v.toFixed(1))
          .join(' ')}`,
    )
    .join('');

/**
 * How a run is drawn until it is routed: soft tube as a curve that leaves and meets both ports
 * along their directions, hard tube as straight legs with rounded corners. An SVG path in sheet
 * millimetres, or null when an end has no place.
 */
export function estimatedPath(
  system: System,
  run: Run,
  radius_mm: number,
  flat: Flatten,
): string | null {
  const from = system.portAt(run.from),
    to = system.portAt(run.to);
  const P = (p: Vec): string =>
    flat(p)
      .map((v) => v.toFixed(1))
      .join(' ');
  if (from && to && run.bridge) return `M${P(from.at)}L${P(to.at)}`;
  if (!from || !to || run.by === 'direct') return null;
  if (!run.tube.hard) {
    const reach = Math.max(20, Math.min(130, distance(from.at, to.at) * 0.45));
    return `M${P(from.at)}C${P(add(from.at, scale(from.direction, reach)))} ${P(add(to.at, scale(to.direction, reach)))} ${P(to.at)}`;
  }
  const stub = radius_mm + 14;
  const a = add(from.at, scale(from.direction, stub)),
    b = add(to.at, scale(to.direction, stub));
  const corners: Vec[] = [from.at, a, [b[0], a[1], a[2]], [b[0], b[1], a[2]], b, to.at];
  return rounded(corners.map(flat), radius_mm);
}

/**
 * A polyline with its corners rounded, as an SVG path; corners that fall together on the sheet are
 * dropped.
 */
function rounded(points: readonly (readonly [number, number])[], radius: number): string {
  const kept = points.filter(
    (p, i) =>
      i === 0 ||
      Math.hypot(p[0] - (points[i - 1]?.[0] ?? 0), p[1] - (points[i - 1]?.[1] ?? 0)) > 0.5,
  );
  const show = (p: readonly [number, number]): string => `${p[0].toFixed(1)} ${p[1].toFixed(1)}`;
  const towards = (
    p: readonly [number, number],
    q: readonly [number, number],
  ): readonly [number, number] => {
    const length = Math.hypot(q[0] - p[0], q[1] - p[1]);
    const r = Math.min(radius, length / 2) / length;
    return [p[0] + (q[0] - p[0]) * r, p[1] + (q[1] - p[1]) * r];
  };
  let path = `M${show(kept[0] ?? [0, 0])}`;
  for (let i = 1; i + 1 < kept.length; i += 1) {
    const [before, corner, after] = [kept[i - 1], kept[i], kept[i + 1]] as [
      readonly [number, number],
      readonly [number, number],
      readonly [number, number],
    ];
    path += `L${show(towards(corner, before))}Q${show(corner)} ${show(towards(corner, after))}`;
  }
  return kept.length > 1
    ? `${path}L${show(kept[kept.length - 1] as readonly [number, number])}`
    : path;
}
