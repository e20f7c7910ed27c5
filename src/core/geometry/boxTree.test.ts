import { describe, expect, test } from '@jest/globals';
import { BoxTree } from '.';
import type { Vec } from './vec';

/** Numbers of no plan that are the same every time (linear congruence, from memory). */
function numbers(seed: number): () => number {
  let at = seed;
  return () => (at = (at * 1664525 + 1013904223) % 2 ** 32) / 2 ** 32;
}
const next = numbers(11);
const boxes = (count: number) =>
  Array.from({ length: count }, () => {
    const min = [next() * 400, next() * 300, next() * 200] as Vec;
    return { min, max: min.map((v) => v + next() * next() * 90) as unknown as Vec };
  });

describe('boxes in a tree', () => {
  test.each([0, 1, 4, 5, 37, 400])('of %s those that touch a box are found, as one by one', (n) => {
    const all = boxes(n),
      tree = new BoxTree(all);
    let met = 0;
    for (const { min, max } of boxes(60)) {
      const found = tree.near(...min, ...max, []);
      const asked = all.flatMap((b, i) =>
        [0, 1, 2].every((k) => (b.min[k] ?? 0) <= (max[k] ?? 0) && (b.max[k] ?? 0) >= (min[k] ?? 0))
          ? [i]
          : [],
      );
      expect(found).toEqual(asked);
      met += found.length;
    }
    if (n > 100) expect(met).toBeGreaterThan(0);
  });

  test('a face that only touches counts; a box without an end is never missed', () => {
    const tree = new BoxTree([
      { min: [0, 0, 0], max: [1, 1, 1] },
      { min: [-Infinity, 5, 5], max: [Infinity, 6, 6] },
      ...boxes(20).map(({ min, max }) => ({
        min: min.map((v) => v + 1000) as unknown as Vec,
        max: max.map((v) => v + 1000) as unknown as Vec,
      })),
    ]);
    expect(tree.near(1, 0, 0, 2, 1, 1, [])).toEqual([0]);
    expect(tree.near(1.001, 0, 0, 2, 1, 1, [])).toEqual([]);
    expect(tree.near(77, 5.5, 5.5, 78, 5.6, 5.6, [9, 9])).toEqual([1]);
  });
});
