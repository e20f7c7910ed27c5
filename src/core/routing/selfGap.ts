import type { Segment } from '../tubing';
import { boxGap, distance, union, type Vec } from '../geometry';
import type { EndWay } from './ends';
import { samplePath } from './path';

/** Points along a tube looked at so far apart, mm. */
const STEP_MM = 4;
/** A tube keeps this far from itself, mm: rounding, not a distance anyone asked for. */
const SLACK_MM = 0.05;

/**
 * Whether a tube meets itself: two stretches of its middle line farther apart along it than a half
 * turn of its bends, and nearer in space than its outer diameter.
 */
export function meetsItself(path: readonly Segment[], radius_mm: number): boolean {
  const bends = path.flatMap((s) => (s.kind === 'arc' ? [s.radius] : []));
  if (bends.length < 2) return false;
  const points = samplePath(path, STEP_MM);
  let run_mm = 0;
  const along_mm = points.map(
    (p, i) => (run_mm += i === 0 ? 0 : distance(p, points[i - 1] as Vec)),
  );
  // Within one bend the tube may come as near to itself as its radius lets it.
  const apart_mm = Math.PI * Math.max(2 * radius_mm, Math.min(...bends));
  const near_mm = 2 * radius_mm - SLACK_MM;
  for (let i = 0, first = 0; i < points.length; i += 1) {
    while (
      first < points.length &&
      (along_mm[first] as number) < (along_mm[i] as number) + apart_mm
    )
      first += 1;
    for (let k = first; k < points.length;) {
      const gap_mm = distance(points[i] as Vec, points[k] as Vec) - near_mm;
      if (gap_mm < 0) return true;
      // No point nearer along the tube than the gap is wide can close it.
      const next_mm = (along_mm[k] as number) + gap_mm;
      for (k += 1; k < points.length && (along_mm[k] as number) < next_mm;) k += 1;
    }
  }
  return false;
}

/** Whether a tube meets its own end fittings beyond the one it leaves by. */
export function meetsOwnEnds(
  path: readonly Segment[],
  radius_mm: number,
  from: Pick<EndWay, 'bodies'>,
  to: Pick<EndWay, 'bodies'>,
): boolean {
  const points = samplePath(path, STEP_MM);
  const meets = (bodies: EndWay['bodies'], at: Vec): boolean =>
    bodies.some((b) => {
      const box = union([
        { min: b.from, max: b.from },
        { min: b.to, max: b.to },
      ]);
      const near = b.radius + radius_mm - SLACK_MM;
      return points.some(
        (p) => distance(p, at) > 2 * near + STEP_MM && boxGap({ min: p, max: p }, box) < near,
      );
    });
  return meets(from.bodies, points[0] as Vec) || meets(to.bodies, points[points.length - 1] as Vec);
}

/**
 * Whether a way winds round: four or more bends on end that turn the same way about like axes, or
 * that go round a full turn.
 */
export function winds(path: readonly Segment[]): boolean {
  let row = 0,
    turning = 0,
    last: Vec | null = null;
  for (const s of path) {
    if (s.kind !== 'arc') continue;
    const same: boolean =
      last !== null && s.axis[0] * last[0] + s.axis[1] * last[1] + s.axis[2] * last[2] > 0.9;
    row = same ? row + 1 : 1;
    turning = same ? turning + s.angle_deg : s.angle_deg;
    last = s.axis;
    if (row >= 4 || turning > 300) return true;
  }
  return false;
}
