import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '@/core/design';
import { piecesOf, Rehearsal } from './rehearsal';

const tower = demoDesign('fenland-flood-tower') as Design;
const nothing: Design = { ...tower, components: [], loops: [] };

describe('what a thread rehearses', () => {
  test('fans, a pump and a radiator move, and pump and radiator come back', () => {
    const [fans, pump, place] = piecesOf(tower);
    for (const piece of [fans, pump, place]) {
      if (!piece) throw new Error('a piece is missing');
      const away = applyEdit(tower, piece(true)).design;
      expect(away.components).not.toEqual(tower.components);
      const home = applyEdit(away, piece(false)).design;
      if (piece !== fans) expect(home.components).toEqual(tower.components);
    }
  });

  test('speeds stay within what a pump can', () => {
    const pump = tower.components.find(({ part }) => part.kind === 'pump');
    if (pump?.part.kind !== 'pump') throw new Error('the tower has no pump');
    const { minSpeed_rpm: least, fullSpeed_rpm: most } = pump.part;
    for (const speed_rpm of [least, (least + most) / 2, most]) {
      const slow = applyEdit(tower, {
        do: 'component.set',
        component: pump.id,
        values: { speed_rpm },
      }).design;
      const edit = piecesOf(slow)[1]?.(true);
      if (edit?.do !== 'component.set') throw new Error('the pump is not rehearsed');
      expect(edit.values.speed_rpm).toBeGreaterThanOrEqual(least);
      expect(edit.values.speed_rpm).toBeLessThanOrEqual(most);
      expect(edit.values.speed_rpm).not.toBe(speed_rpm);
    }
  });

  test('it ends by itself, and begins with nothing to move not at all', () => {
    const rehearsal = new Rehearsal(tower);
    let rounds = 0;
    while (!rehearsal.isOver && rounds < 200) {
      rehearsal.round();
      rounds += 1;
    }
    expect(rounds).toBe(48);
    expect(new Rehearsal(nothing).isOver).toBe(true);
  });
});
