import type { Design, Component } from '../design';
import type { HolePattern } from '../components';

/**
 * The holes of the place a part stands on, as the part is turned, where its foot has none of them;
 * null where it meets them or nothing is known.
 */
export function missedHoles(
  design: Design,
  component: Component,
): {
  readonly spot: string;
  readonly holes: HolePattern;
  readonly feet: readonly HolePattern[];
} | null {
  const { placement, part } = component;
  const spot =
    placement.on === 'spot' ? design.case?.spots.find((s) => s.id === placement.spot) : undefined;
  if (!spot?.holes || !part.foot || part.foot.length === 0) return null;
  // Its foot looks elsewhere: a bracket of its own holds it, whatever the holes.
  const up = placement.on === 'spot' ? (placement.up ?? '+y') : '+y';
  if (up !== '+y') return { spot: spot.name, holes: spot.holes, feet: part.foot };
  const turned = placement.on === 'spot' && (placement.turn === 90 || placement.turn === 270);
  const holes = turned ? { x_mm: spot.holes.z_mm, z_mm: spot.holes.x_mm } : spot.holes;
  return part.foot.some(
    (f) => Math.abs(f.x_mm - holes.x_mm) < SAME_MM && Math.abs(f.z_mm - holes.z_mm) < SAME_MM,
  )
    ? null
    : { spot: spot.name, holes, feet: part.foot };
}

/** Holes this near to each other are the same, mm (common practice, no source). */
const SAME_MM = 0.6;
