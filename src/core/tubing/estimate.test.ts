import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import type { Design } from '../design';
import type { Vec } from '../geometry';
import { compileSystem, type PlacedPort, type System } from '../system';
import { estimateRuns, type Run } from '.';

/**
 * Estimates worked by hand: fittings 20 mm long, a tube that goes 8 mm into each, bends of 25 mm for
 * hard and 50 mm for soft tube.
 */
const desk = demoDesign('dawn-chorus-desk') as Design;
const system = compileSystem(desk);
const [loop] = desk.loops as [Design['loops'][number]];
const connection = loop.connections.find((c) => c.by === 'tube');
if (!connection) throw new Error('the demo lost its tubes');

const port = (at: Vec, direction: Vec): PlacedPort => ({
  component: 'part',
  port: { id: 'p', name: 'p' } as PlacedPort['port'],
  at,
  direction,
});

function estimated(hard: boolean, from: PlacedPort | null, to: PlacedPort | null): Run {
  const tube = hard
    ? { ...catalogued('tube', 'tube-petg-14-10'), minBend_mm: 25 }
    : { ...catalogued('tube', 'tube-epdm-16-10'), minBend_mm: 50 };
  const own = {
    ...loop,
    tube,
    fitting: { ...loop.fitting, length_mm: 20 },
    connections: [{ ...connection, ends: { from: 'auto', to: 'auto' } } as typeof connection],
  } as Design['loops'][number];
  const stub: System = {
    ...system,
    design: { ...desk, loops: [own] },
    portAt: (ref) => (ref === own.connections[0]?.from ? from : to),
  };
  return estimateRuns(stub)[0] as Run;
}

const X: Vec = [1, 0, 0],
  BACK: Vec = [-1, 0, 0];

describe('hard tube, by hand', () => {
  test.each([
    ['ports that face each other: straight', port([0, 0, 0], X), port([240, 0, 0], BACK), 216, 0],
    // Legs 200 and 180 mm, one bend: 380 − 50 + 39.27 + 16.
    ['a right angle: one bend', port([0, 0, 0], X), port([220, 200, 0], [0, -1, 0]), 385.27, 1],
    // Legs 200 and 100 mm, two bends: 300 − 100 + 78.54 + 16.
    ['an offset: two bends', port([0, 0, 0], X), port([240, 100, 0], BACK), 294.54, 2],
    // Off in two ways: four bends, 200 + 100 + 80 − 200 + 157.08 + 16.
    ['an offset both ways: four bends', port([0, 0, 0], X), port([240, 100, 80], BACK), 353.08, 4],
    // 3 mm aside: soft seals take it up.
    ['hardly off: straight', port([0, 0, 0], X), port([240, 3, 0], BACK), 219, 0],
  ] as const)('%s', (_, from, to, cut_mm, bends) => {
    const run = estimated(true, from, to);
    expect(run.bends).toBe(bends);
    expect(run.turning_deg).toBe(90 * bends);
    expect(run.cut_mm).toBeCloseTo(cut_mm, 1);
    expect(run.volume_mL).toBeCloseTo((Math.PI / 4) * 0.1 * run.cut_mm, 6);
    expect(run.ends).toEqual({ from: 'straight', to: 'straight' });
  });

  test('ports that look away from each other take elbows', () => {
    const run = estimated(true, port([0, 0, 0], X), port([-160, 0, 0], BACK));
    expect(run.ends).toEqual({ from: 'rotary90', to: 'rotary90' });
    expect(run.fittings.map((f) => f.duty)).toEqual([
      'rotary90',
      loop.fitting.duty,
      'rotary90',
      loop.fitting.duty,
    ]);
  });

  test('where there is no room for a bend, none is put', () => {
    // Legs of 24 and 12 mm: 36 / 50 is no bend.
    expect(estimated(true, port([0, 0, 0], X), port([44, 32, 0], [0, -1, 0])).bends).toBe(0);
  });
});

describe('soft tube, by hand', () => {
  test('straight ahead it is as long as the way', () => {
    const run = estimated(false, port([0, 0, 0], X), port([240, 0, 0], BACK));
    expect(run.cut_mm).toBeCloseTo(216, 6);
    expect(run.bends).toBe(0);
    expect(run.turning_deg).toBeCloseTo(0, 6);
  });

  /** Leaving at 90°, held at 80°: θ/sin θ = 1.4178; with 1 at the other end 1.2089 × 300 + 16. */
  test('one that turns by a right angle is an arc', () => {
    const run = estimated(false, port([0, 0, 0], [0, 1, 0]), port([320, 20, 0], BACK));
    expect(run.cut_mm).toBeCloseTo(378.67, 1);
    expect(run.bends).toBe(1);
    expect(run.turning_deg).toBeCloseTo(90, 6);
  });

  /** By 30°: 0.5236/0.5 = 1.0472, the mean with 1 is 1.0236, × 300 + 16. */
  test('a slight turn is a slight arc', () => {
    const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
    const run = estimated(false, port([-20 * c, -20 * s, 0], [c, s, 0]), port([320, 0, 0], BACK));
    expect(run.cut_mm).toBeCloseTo(1.0236 * 300 + 16, 1);
    expect(run.bends).toBe(1);
    const less = estimated(
      false,
      port([-19.7, -3.5, 0], [0.985, 0.174, 0]),
      port([320, 0, 0], BACK),
    );
    expect(less.bends).toBe(0);
  });

  test('a short one takes an elbow, of 90° or 45° as it turns', () => {
    const right = estimated(false, port([0, 0, 0], [0, 1, 0]), port([120, 20, 0], BACK));
    expect(right.ends.from).toBe('rotary90');
    expect(right.cut_mm).toBeCloseTo(116, 6);
    const h = Math.SQRT1_2;
    const half = estimated(false, port([-20 * h, -20 * h, 0], [h, h, 0]), port([120, 0, 0], BACK));
    expect(half.ends).toEqual({ from: 'rotary45', to: 'straight' });
    expect(half.cut_mm).toBeCloseTo(116, 6);
  });
});

test('an end not placed: 250 mm put down, and two bends of hard tube, one of soft', () => {
  for (const [hard, bends] of [
    [true, 2],
    [false, 1],
  ] as const) {
    const run = estimated(hard, null, port([0, 0, 0], X));
    expect(run).toMatchObject({ cut_mm: 250, bends, turning_deg: 180 });
    expect(run.guess).toContain('250 mm');
  }
});
