import { setBack } from '../tubing';
import { add, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import type { TubeLimits } from './rigidRoute';
import { roundedPath, samplePath } from './path';
import { tollOf, type Workspace } from './workspace';

const SLANT_DEG = 45,
  STEP_MM = 6;

/**
 * Steps to the side of a right-angled way laid aslant: where a leg turns off and the next but one
 * goes on as before, both corners of 90° become bends of 45° with a slanting leg between, half the
 * step before and half behind. Taken where there is room for it and it is shorter; the rest stays.
 */
export function slanted(
  workspace: Workspace,
  corners: readonly Vec[],
  { radius_mm: r, atFitting_mm: s, between_mm: b }: TubeLimits,
): readonly Vec[] {
  let now = corners;
  for (let i = 1; i + 2 < now.length; i += 1) {
    const [a, c, d, e] = [now[i - 1], now[i], now[i + 1], now[i + 2]] as [Vec, Vec, Vec, Vec];
    const into = unit(sub(c, a)),
      step = sub(d, c),
      out = unit(sub(e, d)),
      half = norm(step) / 2;
    if (dot(into, out) < 0.999 || Math.abs(dot(into, unit(step))) > 1e-6) continue;
    const c2 = sub(c, scale(into, half)),
      d2 = add(d, scale(out, half));
    const back = setBack(r, SLANT_DEG),
      before = norm(sub(c2, a)) - back - (i === 1 ? s : b + r),
      after = norm(sub(e, d2)) - back - (i + 2 === now.length - 1 ? s : b + r);
    if (
      dot(sub(c2, a), into) <= 0 ||
      dot(sub(e, d2), out) <= 0 ||
      before < 0 ||
      after < 0 ||
      norm(sub(d2, c2)) < 2 * back + b
    )
      continue;
    const next = [...now.slice(0, i), c2, d2, ...now.slice(i + 2)];
    const tollAt = (way: readonly Vec[]): number =>
      tollOf(workspace, samplePath(roundedPath(way, r), STEP_MM));
    const penalty = tollAt([a, c2, d2, e]);
    if (penalty < Infinity && penalty <= tollAt([a, c, d, e])) now = next;
  }
  return now;
}
