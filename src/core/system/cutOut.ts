import type { Box, Vec } from '../geometry';

type Axis = 0 | 1 | 2;

/**
 * A box less openings cut right through it along its thinnest way, as boxes that do not overlap:
 * strips between the edges of the openings, each from the bottom up past what crosses it.
 */
export function cutOut(box: Box, openings: readonly Box[]): readonly Box[] {
  if (openings.length === 0) return [{ min: box.min, max: box.max }];
  const [through, u, v] = axesOf(box);
  const clamp = (value: number, axis: Axis): number =>
    Math.min(box.max[axis], Math.max(box.min[axis], value));
  const holes = openings.map((o) => ({
    u0: clamp(o.min[u], u),
    u1: clamp(o.max[u], u),
    v0: clamp(o.min[v], v),
    v1: clamp(o.max[v], v),
  }));
  const cuts = [...new Set([box.min[u], box.max[u], ...holes.flatMap((h) => [h.u0, h.u1])])].sort(
    (a, b) => a - b,
  );
  const make = (u0: number, u1: number, v0: number, v1: number): Box => ({
    min: put(through, box.min[through], u, u0, v, v0),
    max: put(through, box.max[through], u, u1, v, v1),
  });
  return cuts.slice(1).flatMap((to, i) => {
    const from = cuts[i] as number;
    const out: Box[] = [];
    let low = box.min[v];
    for (const h of holes.filter((o) => o.u0 < to && o.u1 > from).sort((a, b) => a.v0 - b.v0)) {
      if (h.v0 > low) out.push(make(from, to, low, h.v0));
      low = Math.max(low, h.v1);
    }
    if (low < box.max[v]) out.push(make(from, to, low, box.max[v]));
    return out;
  });
}

/** The thinnest way first, then the other two. */
function axesOf({ min, max }: Box): readonly [Axis, Axis, Axis] {
  const size = (i: Axis): number => max[i] - min[i];
  const through = ([0, 1, 2] as const).reduce<Axis>((a, b) => (size(b) < size(a) ? b : a), 0);
  const [u, v] = ([0, 1, 2] as const).filter((i) => i !== through) as [Axis, Axis];
  return [through, u, v];
}

const put = (a: Axis, av: number, u: Axis, uv: number, v: Axis, vv: number): Vec => {
  const by = new Map([
    [a, av],
    [u, uv],
    [v, vv],
  ]);
  return ([0, 1, 2] as const).map((i) => by.get(i) ?? 0) as unknown as Vec;
};
