import { describe, expect, test } from '@jest/globals';
import { Box3 } from 'three';
import { DEMO_BUILDS } from '@/catalogue';
import { MACHINES } from '@/catalogue/machines';
import { compileSystem, type PlacedComponent } from '@/core/system';
import { union } from '@/core/geometry';
import { tintsOf } from './drawing';
import { mix, warmth, type Paper } from './paper';
import { drawPart } from './partShapes';

const PAPER: Paper = {
  paper: '#f5f1e8',
  sunk: '#eae3d4',
  float: '#fbf8f1',
  ink: '#1f2d36',
  soft: '#56636a',
  hairline: '#cfc7b8',
  copper: '#b65a1f',
  fails: '#a5301f',
  marginal: '#8f5a0d',
  cool: '#4e6a80',
  mid: '#8f8478',
  warm: '#b65a1f',
};
const TINTS = tintsOf(PAPER);
const DESIGNS = [
  ...DEMO_BUILDS.map((d) => [d.name, d.design] as const),
  ...MACHINES.map((m) => [m.name, m.make()] as const),
];
const standing = (placed: Iterable<PlacedComponent>): readonly PlacedComponent[] =>
  [...placed].filter((p) => p.frame !== null);

/** Slots and heads of screws stand out of the body a part is measured by, mm. */
const OUT_MM = 10;

describe('parts as they are drawn', () => {
  test.each(DESIGNS)('%s: every part is drawn where it is measured, and as large', (_, design) => {
    for (const placed of standing(compileSystem(design).placed.values())) {
      const { faces, edges } = drawPart(placed, TINTS);
      expect([placed.id, faces !== null && edges !== null]).toEqual([placed.id, true]);
      const drawn = new Box3().setFromBufferAttribute(
        faces?.getAttribute('position') as Parameters<Box3['setFromBufferAttribute']>[0],
      );
      const measured = union(placed.solids.map((s) => s.box));
      const low = drawn.min.toArray(),
        high = drawn.max.toArray();
      for (const i of [0, 1, 2] as const) {
        expect([placed.id, i, (low[i] ?? 0) >= measured.min[i] - OUT_MM]).toEqual([
          placed.id,
          i,
          true,
        ]);
        expect([placed.id, i, (high[i] ?? 0) <= measured.max[i] + OUT_MM]).toEqual([
          placed.id,
          i,
          true,
        ]);
        // And it fills what it is measured by.
        expect([placed.id, i, (high[i] ?? 0) - (low[i] ?? 0)]).toEqual([
          placed.id,
          i,
          expect.closeTo(measured.max[i] - measured.min[i], -1.4),
        ]);
      }
    }
  });

  test('the largest machine takes no more triangles than a weak graphics card draws at once', () => {
    const most = Math.max(
      ...DESIGNS.map(([, design]) =>
        standing(compileSystem(design).placed.values()).reduce(
          (sum, p) => sum + (drawPart(p, TINTS).faces?.getAttribute('position').count ?? 0) / 3,
          0,
        ),
      ),
    );
    expect(most).toBeGreaterThan(1000);
    expect(most).toBeLessThan(200_000);
  });
});

describe('colours of the drawing', () => {
  test('half of one and half of another is the middle of both; the ends are themselves', () => {
    expect(mix('#000000', '#ffffff', 0.5)).toBe('#808080');
    expect(mix('#102030', '#ffffff', 1)).toBe('#102030');
  });

  test('the coolest coolant is slate, the warmest copper, the middle stone; beyond it stays', () => {
    const at = (t: number): string => warmth(PAPER, t, [30, 40]);
    expect([at(30), at(35), at(40), at(20), at(60)]).toEqual([
      PAPER.cool,
      PAPER.mid,
      PAPER.warm,
      PAPER.cool,
      PAPER.warm,
    ]);
  });
});
