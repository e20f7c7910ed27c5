import type { Vec } from '../geometry';
import type { Run } from '../tubing';
import { samplePath } from './path';

/**
 * The middle line of a routed run as it will lie, in points `step_mm` apart or closer: soft tube
 * that no clip holds along its elastic curve, all other tube along its route. Empty where it has no
 * route.
 */
export function middleLine({ routed }: Pick<Run, 'routed'>, step_mm: number): readonly Vec[] {
  return routed?.lies?.points ?? samplePath(routed?.path ?? [], step_mm);
}
