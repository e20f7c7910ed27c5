import type { System } from '@/core/system';
import { middleLine } from '@/core/routing';
import type { Run } from '@/core/tubing';
import { add, distance, scale, type Vec } from '@/core/geometry';

/** Points of a routed run so far apart, mm. */
const ROUTED_STEP_MM = 4;

type Flat = readonly [number, number];
type Flatten = (p: Vec) => Flat;

/** A point of the sheet as a path has it. */
const shown = (p: Flat): string => `${p[0].toFixed(1)} ${p[1].toFixed(1)}`;

/** A routed run as an SVG path in sheet millimetres. */
export const routedPath = (run: Run, flat: Flatten): string =>
  linePath(middleLine(run, ROUTED_STEP_MM), flat);

/** Points in the case as an SVG path in sheet millimetres. */
export const linePath = (points: readonly Vec[], flat: Flatten): string =>
  points.map((p, i) => `${i === 0 ? 'M' : 'L'}${shown(flat(p))}`).join('');

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
  const at = (p: Vec): string => shown(flat(p));
  if (from && to && run.bridge) return `M${at(from.at)}L${at(to.at)}`;
  if (!from || !to || run.by === 'direct') return null;
  if (!run.tube.hard) {
    const reach = Math.max(20, Math.min(130, distance(from.at, to.at) * 0.45));
    const leaves = add(from.at, scale(from.direction, reach)),
      arrives = add(to.at, scale(to.direction, reach));
    return `M${at(from.at)}C${at(leaves)} ${at(arrives)} ${at(to.at)}`;
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
function rounded(points: readonly Flat[], radius: number): string {
  const kept = points.filter((p, i) => i === 0 || apart(p, points[i - 1] as Flat) > 0.5);
  const arcs = kept.slice(1, -1).map((corner, i) => {
    const [into, out] = [kept[i] as Flat, kept[i + 2] as Flat].map((beside) => {
      const length = apart(corner, beside);
      const share = Math.min(radius, length / 2) / length;
      return shown([
        corner[0] + (beside[0] - corner[0]) * share,
        corner[1] + (beside[1] - corner[1]) * share,
      ]);
    });
    return `L${into}Q${shown(corner)} ${out}`;
  });
  const last = kept.length > 1 ? `L${shown(kept[kept.length - 1] as Flat)}` : '';
  return `M${shown(kept[0] ?? [0, 0])}${arcs.join('')}${last}`;
}

const apart = (p: Flat, q: Flat): number => Math.hypot(p[0] - q[0], p[1] - q[1]);
