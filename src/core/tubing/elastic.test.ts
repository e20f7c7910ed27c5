import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { add, cross, distance, dot, norm, scale, unit, type Vec } from '../geometry';
import { elasticCurve, type Clamp, type ElasticCurve } from './elastic';

const found = (from: Clamp, to: Clamp, length_mm: number, as: readonly Vec[]): ElasticCurve => {
  const curve = elasticCurve(from, to, length_mm, as);
  if (!curve) throw new Error('no curve');
  return curve;
};
/** A circle's arc in the plane, from the origin along x. */
const arc = (radius: number, deg: number, n = 60): readonly Vec[] =>
  Array.from({ length: n + 1 }, (_, i): Vec => {
    const a = ((deg / 180) * Math.PI * i) / n;
    return [radius * Math.sin(a), radius * (1 - Math.cos(a)), 0];
  });
const ORIGIN: Clamp = { at: [0, 0, 0], direction: [1, 0, 0] };
const endOf = (points: readonly Vec[], direction: Vec): Clamp => ({
  at: points.at(-1) as Vec,
  direction,
});

describe('a tube between two clamped ends', () => {
  /**
   * Reference: the rectangular elastica, y' = x² / √(1 − x⁴). Its width is 1, its height 0.5990701
   * and its length 1.3110288, the lemniscate constants (Euler 1744; L. D. and E. M. Finch,
   * Mathematical Constants, 6.1); its curvature is 2x, so that its end force over its stiffness is 2.
   */
  test('is the rectangular elastica where that is clamped', () => {
    const size = 100;
    const curve = found(
      ORIGIN,
      { at: [size, 0.59907012 * size, 0], direction: [0, -1, 0] },
      1.31102878 * size,
      [
        [0, 0, 0],
        [size, 0, 0],
        [size, 60, 0],
      ],
    );
    const height = (x: number): number => {
      const n = 4000;
      let sum = 0;
      // By x = sin s the integrand has no pole: ∫ sin² s / √(1 + sin² s) ds.
      const to = Math.asin(Math.min(1, x));
      for (let i = 0; i < n; i += 1) {
        const s = (to * (i + 0.5)) / n;
        sum += (Math.sin(s) ** 2 / Math.sqrt(1 + Math.sin(s) ** 2)) * (to / n);
      }
      return sum;
    };
    for (const [x, y] of curve.points)
      expect(Math.abs(y - size * height(x / size))).toBeLessThan(0.03);
    expect(curve.leastRadius_mm).toBeCloseTo(size / 2, 0);
    expect(curve.turning_deg).toBeCloseTo(90, 6);
    expect(curve.force[0] * size ** 2).toBeCloseTo(0, 1);
    expect(Math.abs(curve.force[1] * size ** 2 + 2)).toBeLessThan(0.005);
  });

  test.each([30, 90, 180, 270])('is the arc of %s° whose ends it is clamped in', (deg) => {
    const as = arc(50, deg),
      a = (deg / 180) * Math.PI;
    const curve = found(ORIGIN, endOf(as, [-Math.cos(a), -Math.sin(a), 0]), 50 * a, as);
    expect(Math.abs(curve.leastRadius_mm - 50)).toBeLessThan(0.1);
    expect(curve.turning_deg).toBeCloseTo(deg, 4);
    for (const p of curve.points) expect(Math.abs(distance(p, [0, 50, 0]) - 50)).toBeLessThan(0.1);
    // A bend by couples alone: no force holds its ends.
    expect(norm(curve.force) * (50 * a) ** 2).toBeLessThan(0.1);
  });

  test('lies straight between ends that face each other, and nowhere where it does not reach', () => {
    const to: Clamp = { at: [200, 0, 0], direction: [-1, 0, 0] };
    const curve = found(ORIGIN, to, 200, [ORIGIN.at, to.at]);
    expect(curve.turning_deg).toBeCloseTo(0, 6);
    expect(curve.leastRadius_mm).toBeGreaterThan(1e6);
    expect(elasticCurve(ORIGIN, to, 199, [ORIGIN.at, to.at])).toBeNull();
  });

  test('in space: it ends where it is clamped, and no tube near it is bent less', () => {
    const to: Clamp = { at: [200, 60, 40], direction: [-1, 0, 0] };
    const length_mm = 225;
    const curve = found(ORIGIN, to, length_mm, [
      [0, 0, 0],
      [60, 0, 0],
      [140, 60, 40],
      [200, 60, 40],
    ]);
    expect(distance(curve.points.at(-1) as Vec, to.at)).toBeLessThan(1e-6);
    const n = curve.points.length - 1,
      h = length_mm / n;
    const ways = curve.points
      .slice(1)
      .map((p, i) => unit(add(p, scale(curve.points[i] as Vec, -1))));
    const energyOf = (of: readonly Vec[]): number =>
      [ORIGIN.direction, ...of].reduce((sum, way, i) => {
        const next = of[i] ?? scale(to.direction, -1);
        const step = i === 0 || i === n ? h / 2 : h;
        return sum + (1 - dot(way, next)) / step;
      }, 0);
    const least = energyOf(ways);
    // Two pieces turned about the line between their far ends keep both ends and the length.
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: n - 2 }),
        fc.double({ min: 0.02, max: 0.5, noNaN: true }),
        fc.boolean(),
        (i, turn, isBack) => {
          const [a, b] = [ways[i], ways[i + 1]] as [Vec, Vec];
          const axis = unit(add(a, b));
          const about = (v: Vec): Vec => {
            const angle = isBack ? -turn : turn;
            return add(
              add(scale(v, Math.cos(angle)), scale(cross(axis, v), Math.sin(angle))),
              scale(axis, dot(axis, v) * (1 - Math.cos(angle))),
            );
          };
          const other = ways.map((w, k) => (k === i || k === i + 1 ? about(w) : w));
          expect(energyOf(other)).toBeGreaterThanOrEqual(least - 1e-9);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('twice as large it is the same curve twice as large, held by a quarter of the force', () => {
    const by = (k: number): ElasticCurve =>
      found(ORIGIN, { at: [120 * k, 50 * k, 0], direction: [-1, 0, 0] }, 140 * k, [
        [0, 0, 0],
        [50 * k, 0, 0],
        [70 * k, 50 * k, 0],
        [120 * k, 50 * k, 0],
      ]);
    const [one, two] = [by(1), by(2)];
    expect(two.leastRadius_mm).toBeCloseTo(2 * one.leastRadius_mm, 6);
    expect(two.turning_deg).toBeCloseTo(one.turning_deg, 8);
    expect(norm(two.force)).toBeCloseTo(norm(one.force) / 4, 9);
    one.points.forEach((p, i) =>
      expect(distance(scale(p, 2), two.points[i] as Vec)).toBeLessThan(1e-6),
    );
  });
});
