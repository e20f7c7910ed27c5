import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, demoDesign } from '@/catalogue';
import fc from 'fast-check';
import type { CasePart } from '../components';
import { frameSheet, outsideOf, compileSystem, standOffs, trayBoxes } from '.';
import type { Design } from '../design';

const CASES = CATALOGUE.filter((p): p is CasePart => p.kind === 'case');
const [first] = CASES as [CasePart];
const volume = (b: { readonly min: readonly number[]; readonly max: readonly number[] }): number =>
  [0, 1, 2].reduce((s, i) => s * ((b.max[i] as number) - (b.min[i] as number)), 1);

describe('the tray and its openings', () => {
  test.each(CASES.map((c) => [c.id, c] as const))(
    '%s: what is left of the sheet is the sheet less its openings',
    (_, c) => {
      const sheet = c.interior[0] * c.interior[1] * (c.panels_mm?.tray ?? 1),
        cut =
          (c.grommets ?? []).reduce((s, g) => s + g.width_mm * g.height_mm, 0) *
          (c.panels_mm?.tray ?? 1);
      expect(trayBoxes(c).reduce((s, b) => s + volume(b), 0)).toBeCloseTo(sheet - cut, 6);
    },
  );

  test('a point is in the sheet or in an opening, never in two pieces, wherever openings lie', () => {
    const hole = fc.record({
      x: fc.integer({ min: 0, max: 455 }),
      y: fc.integer({ min: 0, max: 465 }),
      w: fc.integer({ min: 2, max: 200 }),
      h: fc.integer({ min: 2, max: 200 }),
    });
    fc.assert(
      fc.property(
        fc.array(hole, { maxLength: 5 }),
        fc.double({ min: 0.1, max: 454.9, noNaN: true }),
        fc.double({ min: 0.1, max: 464.9, noNaN: true }),
        (holes, px, py) => {
          const c: CasePart = {
            ...first,
            grommets: holes.map((g, i) => ({
              id: `g${i}`,
              name: 'opening',
              at: [g.x, g.y, 0] as const,
              width_mm: g.w,
              height_mm: g.h,
            })),
          };
          const off = 1e-7,
            open = holes.some(
              (g) => Math.abs(px - g.x) < g.w / 2 - off && Math.abs(py - g.y) < g.h / 2 - off,
            ),
            onEdge = holes.some(
              (g) =>
                Math.abs(Math.abs(px - g.x) - g.w / 2) < off ||
                Math.abs(Math.abs(py - g.y) - g.h / 2) < off,
            );
          const pieces = trayBoxes(c).filter(
            (b) => px > b.min[0] && px < b.max[0] && py > b.min[1] && py < b.max[1],
          ).length;
          if (!onEdge) expect(pieces).toBe(open ? 0 : 1);
        },
      ),
      { numRuns: 500 },
    );
  });
});

test('stand-offs hold the board at the nine ATX holes, the corner ones 0.25 in and 11.35 in from its upper edge (ATX specification 2.2, from memory)', () => {
  const system = compileSystem(demoDesign('dawn-chorus-desk') as Design),
    c = system.design.case as CasePart,
    [x, y, z] = c.boardAt;
  const feet = standOffs(c, system.placed);
  const board = [...system.placed.values()].find((p) => p.part.kind === 'board');
  expect(feet).toHaveLength(9);
  expect(feet.every((f) => f.from[2] === 0 && f.to[2] === z)).toBe(true);
  // Rear column 0.4 in from the rear edge, lowest hole 11.35 in down a 12 in board.
  expect(
    feet.some(
      (f) => Math.abs(f.to[0] - x - 10.16) < 1e-9 && Math.abs(f.to[1] - y - 0.65 * 25.4) < 1e-9,
    ),
  ).toBe(true);
  expect(board?.frame?.at[2]).toBe(z);
});

test('outside is inside and the sheets; a side that says nothing has the common sheet', () => {
  const c: CasePart = { ...first, panels_mm: { side: 4, tray: 1 } };
  expect(frameSheet(c, 'front')).toBe(1.2);
  expect(outsideOf(c)).toEqual([
    first.interior[0] + 2.4,
    first.interior[1] + 2.4,
    // Side panel and tray, and behind it the room for cables with its own panel.
    first.interior[2] + 5 + (first.behind_mm ?? 0) + 4,
  ]);
});
