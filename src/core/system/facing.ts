import { dot, norm, scale, sub, type Vec } from '../geometry';
import type { PlacedPort } from './types';

/**
 * How two ports stand to each other: along the first one's direction, and aside of it, mm; null
 * unless they look at each other.
 */
export interface Facing {
  readonly along_mm: number;
  readonly aside: Vec;
  readonly aside_mm: number;
}

/** Within about 8° of facing. */
const FACING = -0.99;

export function facing(a: PlacedPort, b: PlacedPort): Facing | null {
  if (dot(a.direction, b.direction) >= FACING) return null;
  const way = sub(b.at, a.at),
    along_mm = dot(way, a.direction),
    aside = sub(way, scale(a.direction, along_mm));
  return { along_mm, aside, aside_mm: norm(aside) };
}

/**
 * A screw piece between two ports takes up so much sideways, and a plain joint so much along, mm
 * (common practice, no source).
 */
export const JOINT_ASIDE_MM = 2,
  JOINT_ALONG_MM = 12;

/**
 * Whether a screw piece reaches from port to port: a plain joint where they all but touch, a bridge
 * within what it slides.
 */
export const spans = (
  { along_mm, aside_mm }: Facing,
  bridge: { readonly span_mm?: readonly [number, number] } | undefined,
): boolean =>
  aside_mm <= JOINT_ASIDE_MM &&
  (bridge?.span_mm
    ? along_mm >= bridge.span_mm[0] && along_mm <= bridge.span_mm[1]
    : along_mm >= -0.01 && along_mm <= JOINT_ALONG_MM);
