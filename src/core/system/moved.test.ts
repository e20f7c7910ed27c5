import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import { footOf, movedBy, compileSystem, slideRange } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;

describe('moving a part by hand', () => {
  test('a radiator goes along its rail alone, by whole millimetres, and stops at the ends', () => {
    // Rail 410 mm, radiator 277 mm: 133 mm of way, none used.
    expect(slideRange(desk, 'top-radiator')).toBe(133);
    expect(movedBy(desk, 'top-radiator', [22.4, -80, 3])).toMatchObject({
      on: 'mount',
      slide_mm: 22,
    });
    expect(movedBy(desk, 'top-radiator', [500, 0, 0])).toMatchObject({ slide_mm: 133 });
    expect(movedBy(desk, 'top-radiator', [-500, 0, 0])).toMatchObject({ slide_mm: 0 });
  });

  test('a pump on a spot stands free where it is put, and measures from there', () => {
    const placement = movedBy(desk, 'pump', [5, 0, -7.6]);
    expect(placement).toMatchObject({ on: 'free', turn: 0 });
    const then = applyEdit(desk, {
      do: 'component.place',
      component: 'pump',
      placement: placement ?? { on: 'unplaced' },
    }).design;
    const at = (b: Design) => compileSystem(b).placed.get('pump')?.solids[0]?.box.min ?? [];
    expect(at(then)).toEqual([(at(desk)[0] ?? 0) + 5, at(desk)[1], (at(desk)[2] ?? 0) - 8]);
    expect(footOf(then, 'pump')).toEqual(placement?.on === 'free' ? placement.at : null);
  });

  test('what hangs on another part has no way of its own', () => {
    expect(movedBy(desk, 'processor-block', [10, 0, 0])).toBeNull();
    expect(movedBy(desk, 'front-fans', [10, 0, 0])).toBeNull();
    expect(movedBy(desk, 'ghost', [1, 1, 1])).toBeNull();
    expect(slideRange(desk, 'pump')).toBeNull();
  });

  test('bare fans slide too', () => {
    expect(movedBy(desk, 'rear-fan', [0, -3, 0])).toMatchObject({ slide_mm: 7 });
  });
});
