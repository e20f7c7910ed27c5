import { dot, type Vec } from '../geometry';

/**
 * Two bends between two ends, the corners s out of the first and t before the second: lengths and
 * angles by the cosines between the ends' directions and what they are apart, without a corner
 * being drawn.
 */
export class TwoBends {
  private readonly far2: number;
  private readonly ahead: number;
  private readonly along: number;
  private readonly cos: number;

  /** @param off from the first end to the second @param d, @param e directions out and in, units */
  constructor(off: Vec, d: Vec, e: Vec) {
    this.far2 = dot(off, off);
    this.ahead = dot(off, d);
    this.along = dot(off, e);
    this.cos = dot(d, e);
  }

  /** Length between the two corners. */
  between(s: number, t: number): number {
    const { far2, ahead, along, cos } = this;
    return Math.sqrt(
      Math.max(0, far2 + s * s + t * t - 2 * s * ahead - 2 * t * along + 2 * s * t * cos),
    );
  }

  /** Set-back of the first bend for a radius of 1: the tangent of half its angle. */
  first(s: number, t: number): number {
    return halfTangent((this.ahead - s - t * this.cos) / this.between(s, t));
  }

  /** And of the second. */
  second(s: number, t: number): number {
    return halfTangent((this.along - t - s * this.cos) / this.between(s, t));
  }
}

const halfTangent = (cos: number): number =>
  cos > -1 ? Math.sqrt(Math.max(0, 1 - cos) / (1 + cos)) : Infinity;
