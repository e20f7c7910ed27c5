import { add, cross, scale, sub, type Vec } from '../geometry';

const DEGREES = 180 / Math.PI;

/** A stretch of a tube's middle line. */
export type Segment =
  | { readonly kind: 'line'; readonly from: Vec; readonly to: Vec }
  | {
      readonly kind: 'arc';
      readonly from: Vec;
      readonly to: Vec;
      readonly centre: Vec;
      readonly radius: number;
      /** Unit; the arc turns right-handed about it. */
      readonly axis: Vec;
      readonly angle_deg: number;
    };

/** The point of an arc after a share of its angle. */
export function onArc(s: Extract<Segment, { kind: 'arc' }>, share: number): Vec {
  const r = sub(s.from, s.centre),
    t = (s.angle_deg / DEGREES) * share;
  return add(s.centre, add(scale(r, Math.cos(t)), scale(cross(s.axis, r), Math.sin(t))));
}
