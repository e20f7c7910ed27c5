import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { Design } from '@/core/design';
import { compileSystem, extentOf } from '@/core/system';
import { union } from '@/core/geometry';
import { extentApart, shiftApart } from './apart';

const system = compileSystem(demoDesign('fenland-flood-tower') as Design);
const whole = extentOf(system);
const placed = [...system.placed.values()].filter((p) => p.solids.length > 0);

describe('parts drawn apart', () => {
  test('together, nothing moves and all of the machine is shown', () => {
    for (const p of placed) expect(shiftApart(p, whole, 0)).toEqual([0, 0, 0]);
    expect(extentApart(system, 0)).toEqual(whole);
  });

  test('apart, each goes away from the middle, the farther the farther out it stands', () => {
    for (const p of placed) {
      const { min, max } = union(p.solids.map((s) => s.box));
      const half = shiftApart(p, whole, 0.5),
        all = shiftApart(p, whole, 1);
      for (const i of [0, 1, 2] as const) {
        const off = (min[i] + max[i] - whole.min[i] - whole.max[i]) / 2;
        expect(all[i]).toBeCloseTo(0.9 * off, 9);
        expect(half[i]).toBeCloseTo(all[i] / 2, 9);
      }
    }
  });

  test('what is shown holds every part where it then stands', () => {
    const shown = extentApart(system, 1);
    for (const p of placed) {
      const own = union(p.solids.map((s) => s.box));
      const by = shiftApart(p, whole, 1);
      for (const i of [0, 1, 2] as const) {
        expect(own.min[i] + by[i]).toBeGreaterThanOrEqual(shown.min[i] - 1e-9);
        expect(own.max[i] + by[i]).toBeLessThanOrEqual(shown.max[i] + 1e-9);
      }
    }
    expect(shown.max[1] - shown.min[1]).toBeGreaterThan(whole.max[1] - whole.min[1] + 50);
  });
});
