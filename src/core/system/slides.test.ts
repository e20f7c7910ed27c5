import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import type { Mount } from '../components';
import { movedBy, nearestSlide, nudgedSlide, screwedAs, slidesOn } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const front = desk.case?.mounts.find((m) => m.id === 'front') as Mount;
const held = (holes: Mount['holes']): Mount => ({
  ...front,
  length_mm: 400,
  fans: [{ size_mm: 120, count: 3 }],
  ...(holes ? { holes } : {}),
});
const radiator = catalogued('radiator', 'rad-tarn-240-30');
const [long] = radiator.size;

describe('where a radiator may hang', () => {
  test('on one long slot anywhere its rail is long enough', () => {
    expect(slidesOn(held(undefined), screwedAs(radiator, 'end'))).toEqual([[0, 400 - long]]);
  });

  /** Three places of 120 mm in 400 mm begin at 20, 140 and 260 mm; two fans sit on the first or second. */
  test('on plain holes where its fans meet two of the three places, whichever end its ports are', () => {
    const mount = held({ slots_mm: 0 });
    const start = radiator.finStart_mm;
    expect(slidesOn(mount, screwedAs(radiator, 'end'))).toEqual([
      [20 - start, 20 - start],
      [140 - start, 140 - start],
    ]);
    const other = long - start - 240;
    expect(slidesOn(mount, screwedAs(radiator, 'start')).map(([s]) => s)).toEqual([
      20 - other,
      140 - other,
    ]);
  });

  test('in slots as far as they are long, from where the first place is said to be', () => {
    const mount = held({ slots_mm: 12, first_mm: 30 });
    const fan = catalogued('fan', 'fan-wren-120-1500');
    expect(slidesOn(mount, screwedAs(fan, 'end', 3))).toEqual([[18, 42]]);
    expect(slidesOn(mount, screwedAs(catalogued('fan', 'fan-wren-80-2200'), 'end'))).toEqual([]);
  });

  test('it goes to the nearest holes, and by steps from one to the next', () => {
    const ranges = slidesOn(held({ slots_mm: 0 }), screwedAs(radiator, 'end'));
    const [[first], [second]] = ranges as [readonly [number, number], readonly [number, number]];
    expect(nearestSlide(ranges, first + 40)).toBe(first);
    expect(nearestSlide(ranges, first + 80)).toBe(second);
    expect(nudgedSlide(ranges, first, 5)).toBe(second);
    expect(nudgedSlide(ranges, second, -1)).toBe(first);
    expect(nudgedSlide(ranges, second, 5)).toBe(second);
  });

  test('dragged, it stays on its holes', () => {
    const mount: Mount = { ...front, holes: { slots_mm: 0 } };
    const design: Design = {
      ...desk,
      case: {
        ...(desk.case as NonNullable<Design['case']>),
        mounts: (desk.case?.mounts ?? []).map((m) => (m.id === 'front' ? mount : m)),
      },
    };
    const part = design.components.find((c) => c.id === 'front-radiator')?.part;
    if (part?.kind !== 'radiator') throw new Error('no radiator');
    const moved = movedBy(design, 'front-radiator', [0, 7, 0]);
    if (moved?.on !== 'mount') throw new Error('not on its mount');
    const ranges = slidesOn(mount, screwedAs(part, moved.ports));
    expect(ranges.some(([least, most]) => moved.slide_mm >= least && moved.slide_mm <= most)).toBe(
      true,
    );
    const put = applyEdit(design, {
      do: 'component.place',
      component: 'front-radiator',
      placement: moved,
    });
    expect(put.design.components.find((c) => c.id === 'front-radiator')?.placement).toEqual(moved);
  });
});
