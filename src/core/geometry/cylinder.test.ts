import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  bodyGap,
  boxCylinderGap,
  cylinderBox,
  cylinderFrom,
  cylinderGap,
  type Box,
  type Cylinder,
  type Vec,
} from '.';

const mm = fc.integer({ min: -400, max: 400 }).map((v) => v / 10);
const point = fc.tuple(mm, mm, mm).map((p) => p as unknown as Vec);
const axis = fc.constantFrom<Vec>([1, 0, 0], [0, 1, 0], [0, 0, 1], [-1, 0, 0]);
const cylinder = fc
  .tuple(point, axis, fc.integer({ min: 5, max: 400 }), fc.integer({ min: 5, max: 150 }))
  .map(([at, d, l, r]) => cylinderFrom(at, d, l / 10, r / 10));
const box = fc
  .tuple(
    point,
    fc.tuple(
      fc.integer({ min: 1, max: 400 }),
      fc.integer({ min: 1, max: 400 }),
      fc.integer({ min: 1, max: 400 }),
    ),
  )
  .map(([p, s]): Box => ({ min: p, max: [p[0] + s[0] / 10, p[1] + s[1] / 10, p[2] + s[2] / 10] }));

/**
 * Nearest points by turns, each the nearest of its body to the other's (projections onto convex
 * sets, von Neumann 1933): another way to the distance.
 */
function nearestInCylinder(c: Cylinder, p: Vec): Vec {
  const k = ([0, 1, 2] as const).find((i) => c.to[i] !== c.from[i]) ?? 0;
  const [u, v] = ([0, 1, 2] as const).filter((i) => i !== k) as [0 | 1 | 2, 0 | 1 | 2];
  const out: [number, number, number] = [p[0], p[1], p[2]];
  out[k] = Math.min(Math.max(p[k], Math.min(c.from[k], c.to[k])), Math.max(c.from[k], c.to[k]));
  const far = Math.hypot(p[u] - c.from[u], p[v] - c.from[v]);
  if (far > c.radius) {
    out[u] = c.from[u] + ((p[u] - c.from[u]) * c.radius) / far;
    out[v] = c.from[v] + ((p[v] - c.from[v]) * c.radius) / far;
  }
  return out;
}
const nearestInBox = (b: Box, p: Vec): Vec =>
  [0, 1, 2].map((i) =>
    Math.min(Math.max(p[i] as number, b.min[i] as number), b.max[i] as number),
  ) as unknown as Vec;
function byTurns(a: (p: Vec) => Vec, b: (p: Vec) => Vec, start: Vec): number {
  let p = start,
    q = start;
  for (let i = 0; i < 1500; i += 1) {
    q = b(p);
    const next = a(q);
    if (Math.hypot(next[0] - p[0], next[1] - p[1], next[2] - p[2]) < 1e-11) break;
    p = next;
  }
  return Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
}
const shifted = (c: Cylinder, d: Vec): Cylinder => ({
  ...c,
  from: [c.from[0] + d[0], c.from[1] + d[1], c.from[2] + d[2]],
  to: [c.to[0] + d[0], c.to[1] + d[1], c.to[2] + d[2]],
});

describe('round bodies', () => {
  test('hand-worked: beside, above, over the edge, within', () => {
    const c = cylinderFrom([0, 0, 0], [0, 1, 0], 100, 25);
    const at = (min: Vec, max: Vec): number => boxCylinderGap({ min, max }, c);
    expect(at([35, 0, -5], [60, 100, 5])).toBeCloseTo(10, 12);
    expect(at([-5, 112, -5], [5, 130, 5])).toBeCloseTo(12, 12);
    // A corner seen at 45°: 30 √2 from the axis, less 25.
    expect(at([30, 0, 30], [60, 100, 60])).toBeCloseTo(30 * Math.SQRT2 - 25, 12);
    expect(at([28, 104, -5], [60, 130, 5])).toBeCloseTo(5, 12);
    expect(at([20, 40, -5], [60, 60, 5])).toBeCloseTo(-5, 12);
    expect(at([-5, 40, -5], [5, 60, 5])).toBeCloseTo(-30, 12);
  });

  /** Two fittings of 16 mm on ports 20 mm apart leave 4 mm (arithmetic of the trade). */
  test('side by side: middles less the radii; end on: the stretch between', () => {
    const a = cylinderFrom([0, 0, 0], [0, 0, 1], 20, 8);
    expect(cylinderGap(a, cylinderFrom([20, 0, 0], [0, 0, 1], 20, 8))).toBeCloseTo(4, 12);
    expect(cylinderGap(a, cylinderFrom([0, 0, 27], [0, 0, 1], 20, 8))).toBeCloseTo(7, 12);
    expect(cylinderGap(a, cylinderFrom([15, 0, 0], [0, 0, 1], 20, 8))).toBeCloseTo(-1, 12);
  });

  test('box and cylinder: the nearest points, a thousand random pairs', () => {
    fc.assert(
      fc.property(box, cylinder, (b, c) => {
        const gap = boxCylinderGap(b, c),
          other = byTurns(
            (p) => nearestInCylinder(c, p),
            (p) => nearestInBox(b, p),
            c.from,
          );
        if (gap > 0.01) expect(gap).toBeCloseTo(other, 4);
        else expect(other).toBeLessThan(0.02);
      }),
      { numRuns: 1000, seed: 3 },
    );
  });

  test('two cylinders, along and across: the nearest points, a thousand random pairs', () => {
    fc.assert(
      fc.property(cylinder, cylinder, (a, c) => {
        const gap = cylinderGap(a, c),
          other = byTurns(
            (p) => nearestInCylinder(a, p),
            (p) => nearestInCylinder(c, p),
            a.from,
          );
        // By turns comes near from above where edges meet at a flat angle.
        if (gap > 0.05) expect(Math.abs(gap - other)).toBeLessThan(0.02);
        else expect(other).toBeLessThan(0.1);
      }),
      { numRuns: 1000, seed: 4 },
    );
  });

  test('overlapping across: a move by the depth parts them in some direction, half of it in none of many', () => {
    fc.assert(
      fc.property(cylinder, cylinder, (a, c) => {
        const gap = cylinderGap(a, c);
        fc.pre(gap < -0.5);
        const around = Array.from({ length: 120 }, (_, i): Vec => {
          const z = 1 - (2 * i + 1) / 120,
            r = Math.sqrt(1 - z * z),
            t = i * 2.399963;
          return [r * Math.cos(t), r * Math.sin(t), z];
        });
        const all = [
          ...around,
          ...([
            [1, 0, 0],
            [-1, 0, 0],
            [0, 1, 0],
            [0, -1, 0],
            [0, 0, 1],
            [0, 0, -1],
          ] as Vec[]),
        ];
        const apart = (by: number): boolean =>
          all.some((d) => cylinderGap(a, shifted(c, [d[0] * by, d[1] * by, d[2] * by])) >= -1e-6);
        expect(apart(-gap * 0.5)).toBe(false);
        expect(apart(-gap * 1.2 + 0.1)).toBe(true);
      }),
      { numRuns: 25, seed: 5 },
    );
  });

  test('never nearer than its box says, never farther than its box and corners allow; the same either way round', () => {
    fc.assert(
      fc.property(cylinder, box, (c, b) => {
        const round = bodyGap({ box: cylinderBox(c), cylinder: c }, { box: b });
        const square = bodyGap({ box: cylinderBox(c) }, { box: b });
        expect(round).toBeGreaterThanOrEqual(square - 1e-9);
        expect(round - Math.max(0, square)).toBeLessThanOrEqual(c.radius * (Math.SQRT2 - 1) + 1e-6);
        expect(bodyGap({ box: b }, { box: cylinderBox(c), cylinder: c })).toBe(round);
      }),
      { numRuns: 500, seed: 6 },
    );
  });
});
