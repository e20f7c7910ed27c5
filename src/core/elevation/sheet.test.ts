import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { elevationToSvg } from '@/format';
import { analyse } from '../analysis';
import { applyEdit, type Design } from '../design';
import { clipStroke, elevationSheet, ELEVATIONS } from '.';

const design = demoDesign('dawn-chorus-desk') as Design;
const { system, reports } = analyse(design);

describe('elevations with dimensions', () => {
  test('every side says how large the case is, and where each radiator and pump is', () => {
    const [x, y, z] = design.case?.interior ?? [0, 0, 0];
    for (const view of ELEVATIONS) {
      const sheet = elevationSheet(system, reports.runs, view);
      const texts = sheet?.shapes.flatMap((s) => (s.shape === 'text' ? [s.text] : [])) ?? [];
      const [wide, high] = { side: [x, y], front: [z, y], top: [x, z] }[view];
      expect(texts).toContain(String(wide));
      expect(texts).toContain(String(high));
      for (const part of ['Front radiator', 'Top radiator', 'Pump', 'Reservoir'])
        expect(texts.filter((t) => t.startsWith(`${part} `)).length).toBe(2);
    }
  });

  test('from the window a radiator in front is as thick as its data say, and as far from the rear', () => {
    const sheet = elevationSheet(system, reports.runs, 'side');
    const radiator = system.placed.get('front-radiator');
    const boxes = radiator?.solids.map((s) => s.box) ?? [];
    const thick = Math.max(...boxes.map((b) => b.max[0])) - Math.min(...boxes.map((b) => b.min[0]));
    const texts = sheet?.shapes.flatMap((s) => (s.shape === 'text' ? [s.text] : [])) ?? [];
    expect(texts).toContain(`Front radiator ${thick}`);
    expect(texts).toContain(String(Math.min(...boxes.map((b) => b.min[0]))));
  });

  test('a clipped tube has a stroke across it at each of its clips, as wide as the tube and more', () => {
    const [loop] = design.loops;
    const soft = loop?.connections.find((c) => c.by === 'tube')?.id ?? '';
    const held = analyse(
      applyEdit(design, {
        do: 'connection.clips',
        loop: loop?.id ?? '',
        connection: soft,
        clipped: true,
      }).design,
    );
    const run = held.reports.runs.find((r) => r.id === soft);
    const clips = run?.routed?.clips ?? [];
    expect(clips.length).toBeGreaterThan(0);
    const strokes = (of: typeof held) =>
      elevationSheet(of.system, of.reports.runs, 'side')?.shapes.flatMap((s) =>
        s.shape === 'line' && s.points.length === 2 ? [s.points] : [],
      ) ?? [];
    const plain = strokes({ ...held, reports: { ...held.reports, runs: [] } }).length;
    const drawn = strokes(held);
    expect(drawn.length - plain).toBe(clips.length);
    const wide = (run?.tube.outer_mm ?? 0) + 6;
    const across = drawn.filter(([a, b]) => {
      const length = Math.hypot((b?.[0] ?? 0) - (a?.[0] ?? 0), (b?.[1] ?? 0) - (a?.[1] ?? 0));
      return Math.abs(length - wide) < 1e-6;
    });
    expect(across.length).toBe(clips.length);
  });

  test('a stroke lies across its tube; one that points at the eye has a level one', () => {
    const size = [400, 300, 200] as const;
    const at = [100, 100, 50] as const;
    const upright = clipStroke('side', size, { at, along: [0, 1, 0] }, 14);
    expect(upright).toEqual([
      [90, 200],
      [110, 200],
    ]);
    const eye = clipStroke('side', size, { at, along: [0, 0, 1] }, 14);
    expect(eye).toEqual([
      [90, 200],
      [110, 200],
    ]);
    const [[x1, y1], [x2, y2]] = clipStroke('side', size, { at, along: [0.6, 0.8, 0] }, 14);
    // Across 0.6, 0.8 on a sheet whose y points down: 0.8 along, 0.6 down for each of 20 mm.
    expect([Math.abs(x2 - x1), Math.abs(y2 - y1)].map((v) => Number(v.toFixed(6)))).toEqual([
      16, 12,
    ]);
  });

  test('as SVG it is of its own size in mm, and text is safe in it', () => {
    const sheet = elevationSheet(
      { ...system, design: { ...design, name: 'A <b> & "c"' } },
      reports.runs,
      'front',
    );
    const svg = sheet ? elevationToSvg(sheet) : '';
    expect(svg).toContain(`width="${sheet?.width_mm}mm"`);
    expect(svg).toContain('A &lt;b&gt; &amp; &quot;c&quot;');
    expect(svg.match(/<polyline/g)?.length).toBeGreaterThan(20);
  });

  test('without a case there is none', () => {
    const bare = analyse({ ...design, case: null });
    expect(elevationSheet(bare.system, [], 'side')).toBeNull();
  });
});
