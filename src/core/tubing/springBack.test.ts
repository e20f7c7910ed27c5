import { describe, expect, test } from '@jest/globals';
import { catalogued } from '@/catalogue';
import type { TestBend } from '../design';
import { coldSpringBack, formerRadius, setAngle, springBackOf, type SpringBack } from '.';

const copper = catalogued('tube', 'tube-copper-12-10'),
  petg = catalogued('tube', 'tube-petg-16-12');
const known = (tests: readonly TestBend[], tube = petg): SpringBack =>
  springBackOf(tube, tests) as SpringBack;

describe('spring-back', () => {
  /** Kalpakjian's Ks = 0.965, from memory: 90° is set as 93.264°, on a former of 28.95 for 30 mm. */
  test('one test bend is a line through 0, at any angle and any radius of what is bent hot', () => {
    const line = known([{ set_deg: 100, left_deg: 96.5 }]);
    expect(line).toMatchObject({ from: 'one test bend', cold: false, scatter_deg: null });
    expect(setAngle(90, line, 30)).toBeCloseTo(93.2642, 4);
    expect(setAngle(90, line, 300)).toBeCloseTo(93.2642, 4);
    expect(setAngle(45, line, 30)).toBeCloseTo(46.6321, 4);
    expect(formerRadius(90, setAngle(90, line, 30), 30)).toBeCloseTo(28.95, 9);
  });

  /** Least squares by numpy.polyfit 1: slope 0.976573, offset −1.155140, scatter 0.135688. */
  test('several angles are a straight line with an offset, as numpy fits it', () => {
    const line = known([
      { set_deg: 30, left_deg: 28.1 },
      { set_deg: 60, left_deg: 57.4 },
      { set_deg: 90, left_deg: 86.9 },
      { set_deg: 135, left_deg: 130.6 },
    ]);
    expect(line.slope).toBeCloseTo(0.9765732, 6);
    expect(line.offset_deg).toBeCloseTo(-1.1551402, 6);
    expect(line.scatter_deg).toBeCloseTo(0.1356879, 6);
    expect(setAngle(90, line, 30)).toBeCloseTo(93.34184, 4);
  });

  test('bends at one angle, or a slip that would turn the line over, are a share through 0', () => {
    const same = known([
      { set_deg: 90, left_deg: 87 },
      { set_deg: 92, left_deg: 88 },
    ]);
    expect(same.offset_deg).toBe(0);
    expect(same.slope).toBeCloseTo((90 * 87 + 92 * 88) / (90 ** 2 + 92 ** 2), 12);
    // A slope of 0.52 is still a line of its own, of 0.45 or 1.15 it is a slip.
    const steep = (slope: number) =>
      known([
        { set_deg: 40, left_deg: 30 },
        { set_deg: 140, left_deg: 30 + 100 * slope },
      ]);
    expect(steep(0.52).slope).toBeCloseTo(0.52, 9);
    expect(steep(1.08).slope).toBeCloseTo(1.08, 9);
    expect(steep(0.45).offset_deg).toBe(0);
    expect(steep(1.15).offset_deg).toBe(0);
    const slip = known([
      { set_deg: 45, left_deg: 80 },
      { set_deg: 90, left_deg: 86 },
    ]);
    expect(slip.offset_deg).toBe(0);
  });

  /** M = 120 (12³ − 10³)/6 = 14,560 N mm; I = π (12⁴ − 10⁴)/64 = 527.0 mm⁴; by hand. */
  test('cold copper gives back M R / (E I): 0.850 % on 36 mm, and in proportion to the radius', () => {
    expect(coldSpringBack(copper, 36)).toBeCloseTo(0.00850091, 7);
    expect(coldSpringBack(copper, 72)).toBeCloseTo(0.01700183, 7);
    expect(coldSpringBack(petg, 36)).toBeNull();
    const line = known([], copper);
    expect(line).toMatchObject({ from: 'material', offset_deg: 0, radius_mm: 36, cold: true });
    expect(setAngle(90, line, 36)).toBeCloseTo(90 / (1 - 0.00850091), 5);
    expect(setAngle(90, line, 72)).toBeCloseTo(90 / (1 - 0.01700183), 5);
  });

  test('a test bend of cold metal is told to the radius it was made on', () => {
    const line = known([{ set_deg: 90, left_deg: 87.3, radius_mm: 24 }], copper);
    expect(setAngle(90, line, 24)).toBeCloseTo(90 / 0.97, 9);
    expect(setAngle(90, line, 48)).toBeCloseTo(90 / 0.94, 9);
  });

  test('nothing is told of what is bent hot and was not tried', () => {
    expect(springBackOf(petg, [])).toBeNull();
  });
});
