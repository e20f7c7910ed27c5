import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued } from '@/catalogue';
import type { RadiatorPart } from '../components';
import { validatePart } from '../validation';
import { makeBlock, makeCard, makeFan, makePump, resizedRadiator } from '.';

const radiator = (id: string): RadiatorPart => catalogued('radiator', id);
const named = { id: 'own-made', name: 'Made', maker: 'my own', price: 1000 };

describe('a radiator in another size', () => {
  test.each([
    ['rad-tarn-240-30', 'rad-tarn-360-30', { sections: 3 }],
    ['rad-tarn-360-30', 'rad-tarn-280-30', { section: 140, sections: 2 }],
    ['rad-fell-360-45', 'rad-fell-360-60', { thick: 60 }],
    ['rad-fell-420-45', 'rad-fell-560-45', { sections: 4 }],
  ] as const)('%s becomes what %s is: ports, size, volume, surfaces, drop', (from, to, sizes) => {
    const made = resizedRadiator(radiator(from), sizes),
      wanted = radiator(to);
    expect(made.size).toEqual(wanted.size);
    expect(made.ports).toEqual(wanted.ports);
    expect(made.volume_mL).toBe(wanted.volume_mL);
    expect(made.wetted).toEqual(wanted.wetted);
    expect(made.passages).toEqual(wanted.passages);
    expect([made.core.depth_mm, made.core.width_mm]).toEqual([
      wanted.core.depth_mm,
      wanted.core.width_mm,
    ]);
    expect(validatePart({ ...made, id: 'own-resized' }).ok).toBe(true);
  });

  test('what was measured of the old size is not said of the new one', () => {
    const measured: RadiatorPart = {
      ...radiator('rad-tarn-360-30'),
      measured: { against: 'speed', points: [[1000, 4, 20]] },
      rating: { heat_W: 300, difference_K: 10, speed_rpm: 1200 },
    };
    const made = resizedRadiator(measured, { thick: 45 });
    expect(made.measured).toBeUndefined();
    expect(made.rating).toBeUndefined();
    expect(made.screw).toEqual(measured.screw);
    // Twice the core behind the same face holds twice the tubes' water: 20 to 40 mm of depth.
    const twice = resizedRadiator(measured, { thick: 50 });
    expect(twice.volume_mL / measured.volume_mL).toBeCloseTo(2, 2);
  });
});

describe('parts of a few figures', () => {
  test.each([
    makePump({
      ...named,
      size: [60, 60, 60],
      fullSpeed_rpm: 4000,
      minSpeed_rpm: 1000,
      points: [
        [0, 3],
        [10, 1],
      ],
      sound_dBA: 30,
      power_W: 15,
    }),
    makeBlock({ ...named, cools: ['processor'], size: [56, 56, 20], wetted: [] }),
    makeBlock({ ...named, cools: ['card'], size: [240, 20, 110], wetted: [] }),
    makeCard({ ...named, draw_W: 250, size: [280, 50, 120], bare_mm: 10 }),
    makeFan({
      ...named,
      section_mm: 180,
      thick_mm: 32,
      fullSpeed_rpm: 1000,
      minSpeed_rpm: 300,
      free_m3h: 180,
      shutOff_Pa: 12,
      sound_dBA: 28,
      power_W: 3,
    }),
  ])('$kind passes the guard', (part) => {
    const validated = validatePart(part);
    expect(validated.ok ? [] : validated.troubles).toEqual([]);
  });

  test('a strong pump is fed from the power supply, a weak one from a header', () => {
    const pump = (power_W: number) =>
      makePump({
        ...named,
        size: [60, 60, 60],
        fullSpeed_rpm: 4000,
        minSpeed_rpm: 1000,
        points: [],
        sound_dBA: 30,
        power_W,
      }).plug;
    expect([pump(22), pump(23)]).toEqual(['four-pin', 'supply']);
  });

  test('ids of the catalogue are those it was made with', () => {
    expect(CATALOGUE.filter((p) => p.id.startsWith('own-'))).toEqual([]);
  });
});
