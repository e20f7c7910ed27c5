import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued } from '@/catalogue';
import { casesForHeat, roomOfCase } from './caseChoice';

const cases = CATALOGUE.filter((p) => p.kind === 'case');

describe('which case for so much heat', () => {
  test('a case is as roomy as the largest row of each mount', () => {
    // One mount of two fans of 120 mm.
    expect(roomOfCase(catalogued('case', 'case-wafer-7'))).toMatchObject({
      largest: [{ count: 2, size_mm: 120 }],
      sections: 2,
    });
  });

  test('three fans of 140 mm are more than three of 120 and less than five', () => {
    const box = catalogued('case', 'case-wafer-7');
    const [mount] = box.mounts;
    if (!mount) throw new RangeError('a case without a mount');
    const wide = {
      ...box,
      mounts: [
        {
          ...mount,
          fans: [
            { size_mm: 120, count: 3 },
            { size_mm: 140, count: 3 },
          ],
        },
      ],
    };
    const { sections, largest } = roomOfCase(wide);
    expect(largest[0]?.size_mm).toBe(140);
    // (140 / 120)² of an area each.
    expect(sections).toBeCloseTo(3 * (140 / 120) ** 2, 9);
  });

  test.each([0, 180, 400, 900])('for %d W: enough first, of these the smallest', (heat_W) => {
    const sorted = casesForHeat(cases, heat_W);
    expect(sorted).toHaveLength(cases.length);
    const enough = sorted.filter((c) => c.isEnough),
      rest = sorted.filter((c) => !c.isEnough);
    expect(sorted.slice(0, enough.length)).toEqual(enough);
    // 100 W a section of 120 mm, quietly: common practice, no source.
    for (const c of enough) expect(c.sections * 100).toBeGreaterThanOrEqual(heat_W);
    for (const c of rest) expect(c.sections * 100).toBeLessThan(heat_W);
    const litres = enough.map((c) => c.box.volume_L);
    expect(litres).toEqual([...litres].sort((a, b) => a - b));
    const room = rest.map((c) => c.sections);
    expect(room).toEqual([...room].sort((a, b) => b - a));
  });

  test('more heat than any holds: none is enough, the roomiest leads', () => {
    const sorted = casesForHeat(cases, 10_000);
    expect(sorted.some((c) => c.isEnough)).toBe(false);
    expect(sorted[0]?.sections).toBe(Math.max(...cases.map((c) => roomOfCase(c).sections)));
  });
});
