import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, UPS, type Design, type Placement, type Turn } from '../design';
import { draining } from '../loops';
import { validateDesign } from '../validation';
import { compileSystem, movedBy } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const TURNS: readonly Turn[] = [0, 90, 180, 270];
const FOOT = [200, 40, 90] as const;
const put = (component: string, placement: Placement): Design =>
  applyEdit(desk, { do: 'component.place', component, placement }).design;
const placed = (design: Design, id: string) => {
  const at = compileSystem(design).placed.get(id);
  if (!at?.frame) throw new Error(`${id} has no place`);
  return { ...at, frame: at.frame };
};

describe('parts turned about any axis', () => {
  const upright = placed(put('reservoir', { on: 'free', at: FOOT, turn: 0 }), 'reservoir');

  test.each(UPS.flatMap((up) => TURNS.map((turn) => [up, turn] as const)))(
    '%s up, turned by %i°: on its foot, right-handed, its ports where they were on it',
    (up, turn) => {
      const design = put('reservoir', { on: 'free', at: FOOT, turn, up });
      expect(validateDesign(design).ok).toBe(true);
      const { frame, solids, ports, part } = placed(design, 'reservoir');
      const { x, y, z } = frame;
      // x × y = z.
      expect(
        [x[1] * y[2] - x[2] * y[1], x[2] * y[0] - x[0] * y[2], x[0] * y[1] - x[1] * y[0]].map(
          (v) => v + 0,
        ),
      ).toEqual([...z].map((v) => v + 0));
      const low = (i: 0 | 1 | 2) => Math.min(...solids.map((s) => s.box.min[i])),
        high = (i: 0 | 1 | 2) => Math.max(...solids.map((s) => s.box.max[i]));
      expect(low(1)).toBeCloseTo(FOOT[1], 9);
      expect((low(0) + high(0)) / 2).toBeCloseTo(FOOT[0], 9);
      expect((low(2) + high(2)) / 2).toBeCloseTo(FOOT[2], 9);
      const sides = [high(0) - low(0), high(1) - low(1), high(2) - low(2)];
      expect([...sides].sort((a, b) => a - b)).toEqual(
        [...('size' in part ? part.size : [])].sort((a, b) => a - b),
      );
      // The axis that is named looks up.
      const axis = { x, y, z }[up.charAt(1) as 'x' | 'y' | 'z'];
      expect(axis[1]).toBe(up.startsWith('+') ? 1 : -1);
      // What is between two ports on the part is between them however it stands.
      const apart = (list: typeof ports) =>
        list.map((a) =>
          Math.round(1e6 * Math.hypot(...a.at.map((v, i) => v - (list[0]?.at[i] ?? NaN)))),
        );
      expect(apart(ports)).toEqual(apart(upright.ports));
    },
  );

  test('lying or upside down, more of it stays in when the loop is drained: gravity goes by its ports', () => {
    const [loop] = desk.loops;
    const leftIn = (design: Design): number =>
      draining(compileSystem(design), loop as Design['loops'][number]).stays.find(
        (l) => l.component === 'reservoir',
      )?.mL ?? 0;
    const high = [200, 240, 90] as const;
    const at = (up: (typeof UPS)[number]) =>
      leftIn(put('reservoir', { on: 'free', at: high, turn: 0, up }));
    expect(at('-y')).toBeGreaterThan(at('+y') + 1);
  });

  test('moved, it stays as it stands; the supply is turned in its bay', () => {
    const lying = put('reservoir', { on: 'free', at: FOOT, turn: 90, up: '+z' });
    expect(movedBy(lying, 'reservoir', [5, 0, 0])).toEqual({
      on: 'free',
      at: [205, 40, 90],
      turn: 90,
      up: '+z',
    });
    const supply = placed(put('supply', { on: 'bay', turn: 180, up: '-y' }), 'supply');
    const bay = desk.case?.bay;
    for (const i of [0, 1, 2] as const)
      expect(Math.min(...supply.solids.map((s) => s.box.min[i]))).toBeCloseTo(
        bay?.min[i] ?? NaN,
        9,
      );
  });
});
