import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { emptyDesign, type Design, type Cap, type Component } from '../design';
import { compileSystem } from '../system';
import type { CasePart } from '../components';
import { draining, fillLevel, trappedAir } from '.';

const reservoir = catalogued('reservoir', 'res-osier-100'),
  pump = catalogued('pump', 'pump-osier-large'),
  radiator = catalogued('radiator', 'rad-tarn-240-30');
const box: CasePart = { ...catalogued('case', 'case-barn-96'), obstacles: [], spots: [] };

/**
 * A reservoir 100 mm high at 300 mm over a pump 62 mm high at 200 mm, and a radiator upright at the
 * front with its ports to either end.
 */
function design(ports: 'start' | 'end', caps: readonly Cap[]): Design {
  const components: readonly Component[] = [
    {
      id: 'reservoir',
      name: 'Reservoir',
      part: reservoir,
      placement: { on: 'free', at: [400, 300, 125], turn: 0 },
      settings: {},
    },
    {
      id: 'pump',
      name: 'Pump',
      part: pump,
      placement: { on: 'free', at: [400, 200, 125], turn: 0 },
      settings: {},
    },
    {
      id: 'radiator',
      name: 'Radiator',
      part: radiator,
      placement: { on: 'mount', mount: 'front', slide_mm: 0, ports, air: 'in' },
      settings: {},
    },
  ];
  const tube = (id: string, from: readonly [string, string], to: readonly [string, string]) => ({
    id,
    from: { component: from[0], port: from[1] },
    to: { component: to[0], port: to[1] },
    by: 'tube' as const,
    ends: { from: 'auto' as const, to: 'auto' as const },
  });
  return {
    ...emptyDesign('Levels', STANDARD_KIT),
    case: box,
    components,
    loops: [
      {
        id: 'loop',
        name: 'Loop',
        tube: catalogued('tube', 'tube-soft-13-10'),
        fitting: catalogued('fitting', 'fit-comp-13-10'),
        coolant: catalogued('coolant', 'cool-clear-premix'),
        coolantAge_months: 0,
        connections: [
          tube('a', ['reservoir', 'foot'], ['pump', 'in']),
          tube('b', ['pump', 'out'], ['radiator', 'p1']),
          tube('c', ['radiator', 'p2'], ['reservoir', 'return']),
        ],
        caps,
      },
    ],
  };
}
const of = (b: Design) => ({
  model: compileSystem(b),
  loop: b.loops[0] as Design['loops'][number],
});
const low: Cap = { component: 'pump', port: 'low', with: 'drain' };

describe('what stays when a loop is drained', () => {
  /** Pump: foot at 200, height 62, low outlet at 35 % = 221.7 mm: below it 35 % of 45 mL. */
  test('by hand: below the valve in its own part; a radiator with ports up keeps nearly all, with ports down nothing above the valve', () => {
    const up = of(design('end', [low])),
      down = of(design('start', [low]));
    const drained = draining(up.model, up.loop);
    expect(drained.level_mm).toBeCloseTo(200 + 0.35 * 62, 9);
    expect(drained.stays.find((s) => s.component === 'pump')?.mL).toBeCloseTo(0.35 * 45, 6);
    // Ports in the upper tank, 12.5 mm below its end: all but that of its height stays.
    const length = radiator.size[0],
      kept = drained.stays.find((s) => s.component === 'radiator')?.mL ?? 0;
    expect(kept).toBeCloseTo((radiator.volume_mL * (length - 12.5)) / length, 6);
    // Ports down: the rail starts at 60 mm and the valve stands at 221.7 mm, so what is below that
    // stays.
    const below =
      draining(down.model, down.loop).stays.find((s) => s.component === 'radiator')?.mL ?? 0;
    expect(below).toBeCloseTo((radiator.volume_mL * (221.7 - 60)) / length, 6);
    expect(below).toBeLessThan(kept);
  });

  test('no valve, no answer; the lowest of two counts', () => {
    const none = of(design('end', []));
    expect(draining(none.model, none.loop)).toEqual({
      drain: null,
      level_mm: null,
      stays: [],
      stays_mL: 0,
    });
    const two = of(design('end', [{ component: 'reservoir', port: 'low', with: 'drain' }, low]));
    expect(draining(two.model, two.loop).drain).toEqual({ component: 'pump', port: 'low' });
  });
});

describe('air that filling leaves', () => {
  test('ports down trap what is above them, ports up next to nothing; a fill cap on top lets it out', () => {
    const up = of(design('end', [low])),
      down = of(design('start', [low])),
      air = (x: typeof up): number =>
        trappedAir(x.model, x.loop).find((p) => p.component === 'radiator')?.mL ?? 0;
    expect(air(up)).toBeLessThan(10);
    expect(air(down)).toBeCloseTo(
      (radiator.volume_mL * (radiator.size[0] - 12.5)) / radiator.size[0],
      6,
    );
    expect(trappedAir(up.model, up.loop).some((p) => p.component === 'reservoir')).toBe(false);
  });
});

/** Filled to its mark a reservoir stands full / whole of its height: 150 of 168 mL in 100 mm. */
test('the surface of a reservoir at its mark', () => {
  const { model: system } = of(design('end', []));
  expect(fillLevel(system, system.placed.get('reservoir') as never)).toBeCloseTo(
    300 + 100 * (150 / 168),
    9,
  );
  expect(fillLevel(system, system.placed.get('pump') as never)).toBeNull();
});

test('the desk drains by its pump, and what stays is told largest first', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design,
    { model: system, loop } = of(desk),
    d = draining(system, loop);
  expect(d.drain?.component).toBe('pump');
  expect(d.stays.map((s) => s.mL)).toEqual([...d.stays.map((s) => s.mL)].sort((a, b) => b - a));
  expect(d.stays_mL).toBeCloseTo(
    d.stays.reduce((s, p) => s + p.mL, 0),
    9,
  );
});
