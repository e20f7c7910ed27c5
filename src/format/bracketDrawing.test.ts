import { describe, expect, test } from '@jest/globals';
import DxfParser from 'dxf-parser';
import { drawBracket } from '@/core/bracket';
import { bracketToDxf, bracketToSvg } from '.';

const plate = drawBracket({
  under: { x_mm: 153, z_mm: 153 },
  over: { x_mm: 105, z_mm: 105 },
  underThread: 'M4',
  overThread: 'M3',
  offset: { x_mm: 7, z_mm: 0 },
  thickness_mm: 2,
  margin_mm: 10,
  opening_mm: 24,
});

describe('DXF, read back by an independent reader (npm dxf-parser)', () => {
  const read = new DxfParser().parseSync(bracketToDxf(plate));
  const circles = (read?.entities ?? []).filter((e) => e.type === 'CIRCLE') as unknown as {
    center: { x: number; y: number };
    radius: number;
    layer: string;
  }[];

  test('every hole is there, to a micrometre, in millimetres', () => {
    expect(circles.length).toBe(plate.holes.length);
    for (const h of plate.holes)
      expect(
        circles.some(
          (c) =>
            Math.hypot(c.center.x - h.x_mm, c.center.y - h.z_mm) < 1e-3 &&
            Math.abs(2 * c.radius - h.diameter_mm) < 1e-3 &&
            c.layer === 'HOLES',
        ),
      ).toBe(true);
    expect(read?.header?.$INSUNITS).toBe(4);
  });

  test('the outline closes: four lines and four quarter arcs', () => {
    const kinds = (read?.entities ?? [])
      .filter((e) => e.layer === 'OUTLINE')
      .map((e) => e.type)
      .sort();
    expect(kinds).toEqual(['ARC', 'ARC', 'ARC', 'ARC', 'LINE', 'LINE', 'LINE', 'LINE']);
  });
});

describe('SVG at 1:1', () => {
  const svg = bracketToSvg(plate, 'Plate <for> "Mere"');

  test('one user unit is a millimetre', () => {
    const [, w, h, vw, vh] =
      /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? [];
    expect([w, h]).toEqual([vw, vh]);
  });

  test('has the holes, a ruler of 100 mm, and nothing of the title gets out', () => {
    expect((svg.match(/<circle/g) ?? []).length).toBe(plate.holes.length);
    expect(svg).toContain('h100');
    expect(svg).toContain('Plate &lt;for&gt; &quot;Mere&quot;');
  });
});
