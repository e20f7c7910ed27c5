import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BRACKET_CAUTIONS, bracketSteps, drawBracket, type BracketAsk } from '.';

/**
 * A reservoir bracket for 120 and 140 mm fan holes on a 180 mm fan's place (153 mm pitch): the case
 * the trade complains of.
 */
const ask: BracketAsk = {
  under: { x_mm: 153, z_mm: 153 },
  over: { x_mm: 105, z_mm: 105 },
  underThread: 'M4',
  overThread: 'M4',
  offset: { x_mm: 0, z_mm: 0 },
  thickness_mm: 2,
  margin_mm: 10,
  opening_mm: 0,
};

describe('a bracket', () => {
  /** By hand: 153 + 2 × 10 = 173 mm square; holes at 10 and 163, and at 34 and 139. */
  test('outline and holes, worked by hand', () => {
    const p = drawBracket(ask);
    expect([p.width_mm, p.height_mm]).toEqual([173, 173]);
    expect(p.holes.filter((h) => h.of === 'under').map((h) => [h.x_mm, h.z_mm])).toEqual([
      [10, 10],
      [163, 10],
      [163, 163],
      [10, 163],
    ]);
    expect(p.holes.filter((h) => h.of === 'over').map((h) => [h.x_mm, h.z_mm])).toEqual([
      [34, 34],
      [139, 34],
      [139, 139],
      [34, 139],
    ]);
    expect(p.holes.every((h) => h.diameter_mm === 4.5)).toBe(true);
    expect(p.troubles).toEqual([]);
  });

  test('holes that run into each other are told with the number', () => {
    const [t] = drawBracket({ ...ask, over: { x_mm: 148, z_mm: 148 } }).troubles;
    // 2.5 mm each way: 3.54 mm from middle to middle, less 4.5 mm.
    expect(t?.measured_mm).toBeCloseTo(Math.hypot(2.5, 2.5) - 4.5, 9);
    expect(t?.says).toContain('runs into');
  });

  test('the same holes on both sides are one hole', () => {
    expect(drawBracket({ ...ask, over: ask.under }).holes.length).toBe(4);
  });

  test('a shifted part grows the plate on that side alone', () => {
    const p = drawBracket({ ...ask, offset: { x_mm: 60, z_mm: 0 } });
    expect(p.width_mm).toBeCloseTo(76.5 + 60 + 52.5 + 20, 9);
    expect(p.height_mm).toBe(173);
  });

  test('a narrow margin is told', () => {
    expect(
      drawBracket({ ...ask, margin_mm: 3 }).troubles.some((t) => t.says.includes('edge')),
    ).toBe(true);
  });

  test('every hole lies inside the plate', () => {
    const pitch = fc.double({ min: 30, max: 200, noNaN: true }),
      shift = fc.double({ min: -80, max: 80, noNaN: true });
    fc.assert(
      fc.property(pitch, pitch, pitch, pitch, shift, shift, (ux, uz, ox, oz, x, z) => {
        const p = drawBracket({
          ...ask,
          under: { x_mm: ux, z_mm: uz },
          over: { x_mm: ox, z_mm: oz },
          offset: { x_mm: x, z_mm: z },
          opening_mm: 20,
        });
        for (const h of p.holes) {
          expect(h.x_mm - h.diameter_mm / 2).toBeGreaterThan(0);
          expect(h.x_mm + h.diameter_mm / 2).toBeLessThan(p.width_mm);
          expect(h.z_mm - h.diameter_mm / 2).toBeGreaterThan(0);
          expect(h.z_mm + h.diameter_mm / 2).toBeLessThan(p.height_mm);
        }
      }),
      { numRuns: 500 },
    );
  });

  test("steps name the drills and the size; cautions are the trade's", () => {
    const steps = bracketSteps(ask, drawBracket(ask)).join(' ');
    expect(steps).toContain('173 × 173 mm');
    expect(steps).toContain('4.5 mm');
    expect(BRACKET_CAUTIONS.join(' ')).toMatch(/gloves and eye protection/);
  });
});
