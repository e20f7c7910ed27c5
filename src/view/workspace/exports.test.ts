import { describe, expect, test } from '@jest/globals';
import { unzipSync } from 'fflate';
import { demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import { drawBracket } from '@/core/bracket';
import { applyEdit, type Design } from '@/core/design';
import { EXPORTS, zipOf, type ExportInputs } from './exports';
import { bracketStl, mandrelStl } from './stl';

const inputsOf = (name: string): ExportInputs => {
  const design = demoDesign(name) as Design;
  return {
    id: name,
    design,
    analysis: analyse(design),
    size: 'A4',
    hasBom: true,
  };
};
const item = (id: string) => {
  const found = EXPORTS.find((x) => x.id === id);
  if (!found) throw new Error(`no export ${id}`);
  return found;
};

type Triangle = readonly (readonly [number, number, number])[];
/** Triangles of an ASCII STL (3D Systems, StereoLithography Interface Specification, 1989). */
const trianglesOf = (stl: string): readonly Triangle[] => {
  const points = [...stl.matchAll(/vertex (\S+) (\S+) (\S+)/g)].map(
    ([, x, y, z]) => [Number(x), Number(y), Number(z)] as const,
  );
  return Array.from({ length: points.length / 3 }, (_, i) => points.slice(3 * i, 3 * i + 3));
};
/** Volume enclosed by a closed surface: sum of signed tetrahedra (divergence theorem). */
const volumeOf = (triangles: readonly Triangle[]): number =>
  Math.abs(
    triangles.reduce((sum, [a, b, c]) => {
      if (!a || !b || !c) return sum;
      const cross = [
        b[1] * c[2] - b[2] * c[1],
        b[2] * c[0] - b[0] * c[2],
        b[0] * c[1] - b[1] * c[0],
      ] as const;
      return sum + (a[0] * cross[0] + a[1] * cross[1] + a[2] * cross[2]) / 6;
    }, 0),
  );

describe('bodies to print', () => {
  test('a mandrel has the volume of its disc less groove and hole (Pappus)', () => {
    const [outer, radius] = [16, 40];
    const thick = outer + 8;
    const disc = Math.PI * (radius ** 2 - 3 ** 2) * thick;
    // A half disc of 8 mm whose middle lies 4 r / 3 π inside the edge, once round.
    const half = (Math.PI * 8 ** 2) / 2;
    const groove = half * 2 * Math.PI * (radius - (4 * 8) / (3 * Math.PI));
    const volume = volumeOf(trianglesOf(mandrelStl(outer, radius)));
    expect(volume / (disc - groove)).toBeGreaterThan(0.99);
    expect(volume / (disc - groove)).toBeLessThan(1.01);
  });

  test('a bracket has the volume of its plate less corners and holes', () => {
    const plate = drawBracket({
      under: { x_mm: 105, z_mm: 105 },
      over: { x_mm: 50, z_mm: 50 },
      underThread: 'M4',
      overThread: 'M4',
      offset: { x_mm: 0, z_mm: 0 },
      thickness_mm: 2,
      margin_mm: 10,
      opening_mm: 0,
    });
    const holes = plate.holes.reduce((sum, h) => sum + (Math.PI * h.diameter_mm ** 2) / 4, 0);
    const area = plate.width_mm * plate.height_mm - (4 - Math.PI) * plate.corner_mm ** 2 - holes;
    const volume = volumeOf(trianglesOf(bracketStl(plate, 3)));
    expect(volume / (3 * area)).toBeGreaterThan(0.995);
    expect(volume / (3 * area)).toBeLessThan(1.005);
  });
});

describe('exports', () => {
  test('several kinds in one ZIP, each file where it belongs', async () => {
    const inputs = inputsOf('fenland-flood-tower');
    const zip = await zipOf(
      inputs,
      ['build', 'list-csv', 'elevations', 'bends-dxf', 'inp', 'mandrels'].map(item),
    );
    const files = unzipSync(zip.data as Uint8Array);
    const names = Object.keys(files);
    expect(names).toContain('fenland-flood-tower.zephyron.json');
    expect(names).toContain('elevations/fenland-flood-tower-side.svg');
    expect(names).toContain('fenland-flood-tower.inp');
    expect(names.filter((n) => n.startsWith('bends-dxf/')).length).toBe(9);
    expect(names.some((n) => n.startsWith('mandrel'))).toBe(true);
    // UTF-8 mark: EF BB BF (RFC 3629, section 6).
    expect([...(files['fenland-flood-tower-parts.csv'] ?? []).slice(0, 3)]).toEqual([
      0xef, 0xbb, 0xbf,
    ]);
  });

  test('the calendar needs days to work on; then every step that is left has an event', async () => {
    const inputs = inputsOf('dawn-chorus-desk');
    expect(item('calendar').why(inputs)).toMatch(/Choose your days/);
    const planned = applyEdit(inputs.design, {
      do: 'work.plan',
      plan: { start: '2026-12-05', days: [0, 6], from_h: 10, to_h: 18, pace: 'beginner' },
    }).design;
    const [file] = await item('calendar').files({
      ...inputs,
      design: planned,
      analysis: analyse(planned),
    });
    // RFC 5545, section 3.6.1.
    expect(String(file?.data).match(/BEGIN:VEVENT/g)?.length).toBeGreaterThan(10);
  });

  test('what cannot be made says why', () => {
    const inputs = inputsOf('dawn-chorus-desk');
    expect(item('png').why(inputs)).toBeNull();
    expect(item('png').why({ ...inputs, design: { ...inputs.design, case: null } })).toMatch(
      /case first/,
    );
    expect(item('mandrels').why(inputs)).toMatch(/No hard tube/);
    expect(item('build').why(inputs)).toBeNull();
    expect(item('elevations').why({ ...inputs, design: { ...inputs.design, case: null } })).toMatch(
      /case first/,
    );
  });
});
