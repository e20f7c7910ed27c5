import { FAN_PITCH, type HolePattern } from '../components';
import { findComponent, type Component, type Design, type Placement } from '../design';

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
  if (placement.on === 'against') return missedOnPart(design, component, placement);
  const spot =
    placement.on === 'spot' ? design.case?.spots.find((s) => s.id === placement.spot) : undefined;
  if (!spot?.holes || !part.foot || part.foot.length === 0) return null;
  // Its foot looks elsewhere: a bracket of its own holds it, whatever the holes.
  const up = placement.on === 'spot' ? (placement.up ?? '+y') : '+y';
  if (up !== '+y') return { spot: spot.name, holes: spot.holes, feet: part.foot };
  const turned = placement.on === 'spot' && (placement.turn === 90 || placement.turn === 270);
  const holes = turned ? { x_mm: spot.holes.z_mm, z_mm: spot.holes.x_mm } : spot.holes;
  return part.foot.some((f) => isNear(f, holes))
    ? null
    : { spot: spot.name, holes, feet: part.foot };
}

/** The screws of fans and radiators are as far apart as their fans' corners. */
function missedOnPart(
  design: Design,
  { part }: Component,
  { component: on, face }: Extract<Placement, { on: 'against' }>,
): ReturnType<typeof missedHoles> {
  const host = findComponent(design, on);
  if (!host || !part.foot || part.foot.length === 0 || (face !== '+z' && face !== '-z'))
    return null;
  if (host.part.kind !== 'fan' && host.part.kind !== 'radiator') return null;
  const { section_mm } = host.part;
  const pitch = FAN_PITCH.find((f) => f.size_mm === section_mm)?.pitch_mm;
  if (pitch === undefined) return null;
  const holes = { x_mm: pitch, z_mm: pitch };
  return part.foot.some((f) => isNear(f, holes))
    ? null
    : { spot: host.name, holes, feet: part.foot };
}

const isNear = (a: HolePattern, b: HolePattern): boolean =>
  Math.abs(a.x_mm - b.x_mm) < SAME_MM && Math.abs(a.z_mm - b.z_mm) < SAME_MM;

/** Holes this near to each other are the same, mm (common practice, no source). */
const SAME_MM = 0.6;
