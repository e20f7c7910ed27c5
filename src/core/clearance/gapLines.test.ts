import { describe, expect, test } from '@jest/globals';
import { DEMO_BUILDS } from '@/catalogue';
import { analyse } from '../analysis';
import { distance } from '../geometry';
import { gapLines } from '.';

describe('gaps as lines in space', () => {
  test('of every part of every demo: each line is as long as the gap it shows', () => {
    let shown = 0;
    for (const { design } of DEMO_BUILDS) {
      const { system, reports } = analyse(design);
      for (const { id } of design.components)
        for (const { gap, from, to } of gapLines(system, reports.clearance.gaps, id)) {
          if (gap.gap_mm <= 0 || /cover|tray|panel/.test(gap.a + gap.b)) continue;
          shown += 1;
          expect(Math.abs(distance(from, to) - gap.gap_mm)).toBeLessThan(0.5);
        }
    }
    expect(shown).toBeGreaterThan(40);
  });

  test('nearest first, and no more than asked', () => {
    const [first] = DEMO_BUILDS;
    if (!first) throw new Error('no demo');
    const { system, reports } = analyse(first.design);
    const lines = gapLines(system, reports.clearance.gaps, 'card', 3);
    expect(lines.length).toBe(3);
    expect(lines.map((l) => l.gap.gap_mm)).toEqual(
      lines.map((l) => l.gap.gap_mm).sort((a, b) => a - b),
    );
  });
});
