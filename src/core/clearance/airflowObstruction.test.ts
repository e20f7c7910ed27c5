import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import { analyse } from '../analysis';
import { worstRise } from '../thermal';
import { compileSystem } from '../system';
import { measureAirflowObstructions, curtainLoss } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
/**
 * A sheet across the whole inner face of the front radiator (its stack ends at x 400), so far away.
 */
const sheet = (gap: number, z: readonly [number, number] = [30, 180]): Design =>
  applyEdit(desk, {
    do: 'case.choose',
    case: {
      ...(desk.case as NonNullable<Design['case']>),
      obstacles: [
        {
          id: 'sheet',
          name: 'Sheet',
          removable: false,
          min: [398 - gap, 0, z[0]],
          max: [400 - gap, 420, z[1]],
        },
      ],
    },
  }).design;
const front = (design: Design) =>
  measureAirflowObstructions(compileSystem(design)).find((a) => a.component === 'front-radiator');

describe('air before a wall', () => {
  /**
   * Continuity by hand: a 120 × 120 face and a wall 10 mm off leave a curtain of 4 × 120 × 10 =
   * 4,800 of 14,400 mm²: three times the speed.
   */
  test('the curtain between edge and wall, worked by hand: 0.6 × (3² − 1) = 4.8 Pa at 1 m/s', () => {
    expect(curtainLoss(120, 120, 10, 1)).toBeCloseTo(4.8, 9);
  });

  test('a gap of a quarter of the width costs nothing: the curtain is as large as the face', () => {
    expect(curtainLoss(120, 120, 30, 1)).toBe(0);
    expect(curtainLoss(120, 120, 29, 1)).toBeGreaterThan(0);
  });

  test('half covered leaves half the face open: by hand 0.6 × ((1 / (0.5 + 0.5 × 1/3))² − 1)', () => {
    expect(curtainLoss(120, 120, 10, 0.5)).toBeCloseTo(0.6 * ((1 / (0.5 + 0.5 / 3)) ** 2 - 1), 9);
  });

  test('nearer never costs less, more covered never less', () => {
    for (let g = 1; g < 60; g += 3)
      expect(curtainLoss(120, 360, g, 1)).toBeGreaterThanOrEqual(curtainLoss(120, 360, g + 3, 1));
    for (let c = 0; c < 1; c += 0.1)
      expect(curtainLoss(120, 360, 8, c + 0.1)).toBeGreaterThanOrEqual(
        curtainLoss(120, 360, 8, c) - 1e-9,
      );
  });
});

describe('the air side of a stack', () => {
  test('a sheet across the whole face, 6 mm off, is told with its distance and share', () => {
    const side = front(sheet(6));
    expect(side?.gap_mm).toBeCloseTo(6, 9);
    expect(side?.by).toBe('Sheet');
    expect(side?.covered).toBe(1);
  });

  test('only what is before the fans counts', () => {
    expect(front(sheet(6, [0, 20]))?.by).not.toBe('Sheet');
  });

  test('it makes the coolant warmer, and the nearer the warmer', () => {
    const rise = (design: Design): number => worstRise(analyse(design).reports.heat.stress) ?? NaN;
    const far = rise(sheet(60)),
      near = rise(sheet(10)),
      nearest = rise(sheet(4));
    expect(near).toBeGreaterThan(far);
    expect(nearest).toBeGreaterThan(near + 0.3);
  });
});
