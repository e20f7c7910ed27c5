import { beforeEach, describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued } from '@/catalogue';
import { showUnits } from '@/core/units';
import { comparedRows, MOST_COMPARED, useCompared } from './compared';

const thin = catalogued('radiator', 'rad-tarn-360-30'),
  thick = catalogued('radiator', 'rad-fell-360-45');

describe('parts beside each other', () => {
  beforeEach(() => useCompared.getState().clear());

  test('figures by the columns of their kind; what differs is marked', () => {
    const rows = comparedRows([thin, thick]);
    const thickness = rows.find((r) => r.name === 'Thick, mm');
    expect(thickness).toEqual({
      name: 'Thick, mm',
      values: [String(thin.size[2]), String(thick.size[2])],
      isDifferent: true,
    });
    expect(rows.find((r) => r.name === 'Section, mm')?.isDifferent).toBe(false);
    expect(comparedRows([])).toEqual([]);
  });

  test('in United States units the head and the figures change together', () => {
    showUnits('us');
    const thickness = comparedRows([thin]).find((r) => r.name === 'Thick, in');
    showUnits('metric');
    expect(Number(thickness?.values[0])).toBeCloseTo(thin.size[2] / 25.4, 2);
  });

  test('one kind at a time, four at most, each once', () => {
    const { toggle } = useCompared.getState();
    const fans = CATALOGUE.filter((p) => p.kind === 'fan').slice(0, MOST_COMPARED + 1);
    toggle(thin);
    fans.forEach(toggle);
    expect(useCompared.getState().parts).toEqual(fans.slice(1));
    toggle(fans[2] as (typeof fans)[number]);
    expect(useCompared.getState().parts.map((p) => p.id)).not.toContain(fans[2]?.id);
  });
});
