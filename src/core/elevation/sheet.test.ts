import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { elevationToSvg } from '@/format';
import { analyse } from '../analysis';
import type { Design } from '../design';
import { elevationSheet, ELEVATIONS } from '.';

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
