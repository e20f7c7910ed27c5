import type { Design, Up } from '../design';
import type { Box, Vec } from '../geometry';

type Standing = { readonly design: Pick<Design, 'choices'> };

/** Which axis of the case looks up, by how the machine stands. */
const upOf = ({ design }: Standing): Up => design.choices.stands ?? '+y';
const AXIS = { x: 0, y: 1, z: 2 } as const;

/**
 * How high a place is, mm, as the machine stands: upright along the case's y, lying or upside down
 * along the axis that looks up then. Only differences mean anything.
 */
export function heightOf(of: Standing, at: Vec): number {
  const up = upOf(of),
    value = at[AXIS[up[1] as 'x' | 'y' | 'z']];
  return up.startsWith('+') ? value : -value;
}

/** The lowest and highest of some bodies as the machine stands, mm. */
export function heightsOf(
  of: Standing,
  bodies: readonly Box[],
): { readonly low: number; readonly high: number } {
  const ends = bodies.flatMap((b) => [heightOf(of, b.min), heightOf(of, b.max)]);
  return { low: Math.min(...ends), high: Math.max(...ends) };
}
