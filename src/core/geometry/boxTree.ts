import type { Vec } from './vec';

interface Bounded {
  readonly min: Vec;
  readonly max: Vec;
}

/** Boxes in a leaf. */
const IN_LEAF = 4;
/** Numbers of a box: its least and its greatest corner. */
const SIX = 6;

/**
 * Boxes that do not change, sorted into a tree of boxes round them, so that what lies apart is not
 * looked at one by one: a bounding volume hierarchy, halved along a curve through the middles
 * (Morton order; Lauterbach et al. 2009).
 */
export class BoxTree {
  /** Bounds of nodes, in the order of going down; after a node that is missed comes `skip`. */
  private readonly bounds: number[] = [];
  private readonly skip: number[] = [];
  /** Of a leaf where its boxes begin in `order`, and how many they are; 0 of a node above. */
  private readonly first: number[] = [];
  private readonly count: number[] = [];
  private readonly order: number[];
  private readonly boxes: Float64Array;

  constructor(all: readonly Bounded[]) {
    this.boxes = new Float64Array(SIX * all.length);
    for (const [i, { min, max }] of all.entries()) {
      this.boxes.set(min, SIX * i);
      this.boxes.set(max, SIX * i + 3);
    }
    this.order = alongCurve(this.boxes, all.length);
    if (all.length > 0) this.build(0, all.length);
  }

  /** Numbers of the boxes that touch or overlap a box, ascending, put `into` a list that is emptied first. */
  near(
    x0: number,
    y0: number,
    z0: number,
    x1: number,
    y1: number,
    z1: number,
    into: number[],
  ): number[] {
    const { bounds, skip, first, count, order, boxes } = this;
    into.length = 0;
    const meets = (of: ArrayLike<number>, at: number): boolean =>
      (of[at] as number) <= x1 &&
      (of[at + 3] as number) >= x0 &&
      (of[at + 1] as number) <= y1 &&
      (of[at + 4] as number) >= y0 &&
      (of[at + 2] as number) <= z1 &&
      (of[at + 5] as number) >= z0;
    for (let node = 0; node < skip.length;) {
      if (!meets(bounds, SIX * node)) {
        node = skip[node] as number;
        continue;
      }
      const from = first[node] as number;
      for (let k = from; k < from + (count[node] as number); k += 1) {
        const box = order[k] as number;
        if (meets(boxes, SIX * box)) into.push(box);
      }
      node += 1;
    }
    return into.sort(ascending);
  }

  /** The node over a stretch of `order`, and all below it. */
  private build(from: number, to: number): void {
    const { boxes, order } = this;
    const node = this.skip.length;
    const low = [Infinity, Infinity, Infinity],
      high = [-Infinity, -Infinity, -Infinity];
    for (let k = from; k < to; k += 1)
      for (let i = 0; i < 3; i += 1) {
        const at = SIX * (order[k] as number) + i;
        low[i] = Math.min(low[i] as number, boxes[at] as number);
        high[i] = Math.max(high[i] as number, boxes[at + 3] as number);
      }
    this.bounds.push(...low, ...high);
    this.skip.push(0);
    const isLeaf = to - from <= IN_LEAF;
    this.first.push(from);
    this.count.push(isLeaf ? to - from : 0);
    if (!isLeaf) {
      const half = (from + to) >> 1;
      this.build(from, half);
      this.build(half, to);
    }
    this.skip[node] = this.skip.length;
  }
}

/** Steps of the curve along each axis, and room for a number beside a place on it. */
const STEPS = 1024,
  NUMBERS = 2 ** 20;

/** Numbers of boxes by where their middles come on the curve. */
function alongCurve(boxes: Float64Array, count: number): number[] {
  const middle = (box: number, axis: number): number =>
    ((boxes[SIX * box + axis] as number) + (boxes[SIX * box + axis + 3] as number)) / 2;
  const places = new Float64Array(count);
  for (let axis = 0; axis < 3; axis += 1) {
    let low = Infinity,
      high = -Infinity;
    for (let i = 0; i < count; i += 1) {
      const m = middle(i, axis);
      if (m < low) low = m;
      if (m > high) high = m;
    }
    const rate = high > low ? (STEPS - 1) / (high - low) : 0;
    for (let i = 0; i < count; i += 1) {
      // A box without an end has no middle: it comes first.
      const step = Math.floor((middle(i, axis) - low) * rate) || 0;
      places[i] = (places[i] as number) + spread(step) * 2 ** axis;
    }
  }
  for (let i = 0; i < count; i += 1) places[i] = (places[i] as number) * NUMBERS + i;
  return Array.from(places.sort(), (p) => p % NUMBERS);
}

/** The ten bits of a number with two noughts between each. */
function spread(v: number): number {
  let x = v & (STEPS - 1);
  x = (x | (x << 16)) & 0x030000ff;
  x = (x | (x << 8)) & 0x0300f00f;
  x = (x | (x << 4)) & 0x030c30c3;
  return (x | (x << 2)) & 0x09249249;
}

const ascending = (a: number, b: number): number => a - b;
