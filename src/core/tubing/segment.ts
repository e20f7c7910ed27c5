import type { Vec } from '../geometry';

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
