import { describe, expect, test } from '@jest/globals';
import DxfParser from 'dxf-parser';
import Papa from 'papaparse';
import type { BendSheet } from '@/core/plan';
import { bendSheetPages, bendSheetsToCsv, bendSheetToDxf, bendSheetToSvg } from '.';

const sheet = (cut_mm: number): BendSheet => ({
  run: 'run-1',
  name: '=Pump → <Block>',
  endNames: { from: '=Pump', to: '<Block>' },
  loop: 'loop',
  material: 'PETG',
  hard: true,
  outer_mm: 16,
  inner_mm: 12,
  radius_mm: 30,
  cut_mm,
  trim_mm: 15,
  grip_mm: 8,
  span_mm: 200,
  extent_mm: [100, 100, 16],
  onBench: null,
  springBack: {
    from: 'one test bend',
    offset_deg: 0,
    slope: 0.95,
    radius_mm: 30,
    cold: false,
    scatter_deg: null,
  },
  bends: [
    {
      start_mm: 70,
      end_mm: 117.12,
      corner_mm: 100,
      setBack_mm: 30,
      rotation_deg: null,
      turn: null,
      angle_deg: 90,
      set_deg: 94.7,
      radius_mm: 30,
      mandrel_mm: 30,
      corner: 0,
    },
    {
      start_mm: 160,
      end_mm: 207.12,
      corner_mm: 190,
      setBack_mm: 30,
      rotation_deg: -90,
      turn: { direction: 'anticlockwise', angle_deg: 90 },
      angle_deg: 90,
      set_deg: 94.7,
      radius_mm: 30,
      mandrel_mm: 30,
      corner: 0,
    },
  ],
});
/** x of every upright stroke this tall in the drawing. */
const strokes = (svg: string, tall: number): number[] =>
  [...svg.matchAll(/M([\d.]+) [\d.]+v([\d.]+)"/g)]
    .filter((m) => Math.abs(Number(m[2]) - tall) < 1e-6)
    .map((m) => Number(m[1]));

describe('a bend sheet on paper', () => {
  test('at 1:1: millimetres on the page are millimetres of the drawing, marks as far apart as on the tube', () => {
    const [page] = bendSheetPages(sheet(160)) as [string];
    expect(page).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    const [a] = strokes(page, 24);
    // The first bend starts 70 mm from the first end, which lies on the left margin.
    expect(a).toBeCloseTo(14 + 70, 6);
    expect(page).toContain('h100');
  });

  test('a long tube goes over strips and pages; every mark is drawn, and strips overlap by 10 mm', () => {
    const pages = bendSheetPages(sheet(1900));
    expect(pages.length).toBeGreaterThan(1);
    const all = pages.join('');
    expect(all).toContain('2: 160.0');
    expect(all).toContain(`Page ${pages.length} of ${pages.length}`);
    // Letters come in pairs: the end of one strip, the start of the next.
    expect((all.match(/>A<\/text>/g) ?? []).length).toBe(2);
  });

  test('text is disarmed in XML, and a formula in CSV', () => {
    expect(bendSheetToSvg(sheet(400))).toContain('=Pump → &lt;Block&gt;');
    expect(bendSheetsToCsv([sheet(400)])).toContain("'=Pump");
  });

  /** Read back by papaparse and dxf-parser. */
  test('CSV: lengths, rotations and angles add up to the tube', () => {
    const rows = Papa.parse<Record<string, string>>(bendSheetsToCsv([sheet(400)]), {
      header: true,
      skipEmptyLines: true,
    }).data;
    expect(
      rows.map((r) => [Number(r.length_mm), Number(r.rotation_deg), Number(r.angle_deg)]),
    ).toEqual([
      [70, 0, 90],
      [42.88, -90, 90],
      [192.88, 0, 0],
    ]);
    expect(rows.reduce((s, r) => s + Number(r.length_mm), 0) + 2 * 47.12).toBeCloseTo(400, 2);
  });

  test('DXF: outline as long as the cut with its trim, a line at each start and end of a bend', () => {
    const dxf = new DxfParser().parseSync(bendSheetToDxf(sheet(400))),
      lines = (dxf?.entities ?? []).filter((e) => e.type === 'LINE') as unknown as {
        layer: string;
        vertices: { x: number; y: number }[];
      }[];
    expect(
      Math.max(
        ...lines.filter((l) => l.layer === 'TUBE').flatMap((l) => l.vertices.map((v) => v.x)),
      ),
    ).toBe(415);
    expect(lines.filter((l) => l.layer === 'BENDS').map((l) => l.vertices[0]?.x)).toEqual([
      70, 117.12, 160, 207.12,
    ]);
    expect(lines.filter((l) => l.layer === 'TRIM').map((l) => l.vertices[0]?.x)).toEqual([400]);
  });
});
