import { describe, expect, test } from '@jest/globals';
import { validatePart } from '../validation';
import { makeHeatSource, USUAL_SIZE, type HeatSourceKind } from '.';

const KINDS: readonly HeatSourceKind[] = ['processor', 'card', 'device'];

describe('a heat source told by its watts', () => {
  test.each(KINDS)('%s: a valid part of that draw and size', (kind) => {
    const part = makeHeatSource(kind, {
      id: 'own-source',
      name: 'Kiln',
      heat_W: 210,
      size: [120, 50, 90],
    });
    expect(validatePart(part).ok).toBe(true);
    expect([part.draw_W, part.size]).toEqual([210, [120, 50, 90]]);
    expect(makeHeatSource(kind, { id: 'own-b', name: 'B', heat_W: 90 }).size).toEqual(
      USUAL_SIZE[kind],
    );
  });

  /** Common practice, no source: a lidded processor's die is some 30 K over its block at full load. */
  test('a processor of any watts: the die 33 K over its block; on air 0.16 K/W more', () => {
    for (const heat_W of [65, 300]) {
      const [die] = makeHeatSource('processor', { id: 'own-p', name: 'P', heat_W }).hotSpots;
      expect((die?.interface_KW ?? 0) * heat_W).toBeCloseTo(33, 9);
      expect((die?.onAir_KW ?? 0) - (die?.interface_KW ?? 0)).toBeCloseTo(0.16, 9);
    }
  });

  test('a device on air: 20 K over the case air, half of it under a block', () => {
    const [chip] = makeHeatSource('device', { id: 'own-d', name: 'D', heat_W: 25 }).hotSpots;
    expect((chip?.onAir_KW ?? 0) * 25).toBeCloseTo(20, 9);
    expect((chip?.interface_KW ?? 0) * 25).toBeCloseTo(10, 9);
    expect(chip?.limit_C).toBe(80);
  });
});
