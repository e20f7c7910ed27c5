import { describe, expect, test } from '@jest/globals';
import { analyse } from '../analysis';
import { applyEdit, type Design } from '../design';
import { distance, sub, type Vec } from '../geometry';
import { CLIP_EVERY_MM } from '../tubing';
import { demoDesign } from '@/catalogue';
import { middleLine, samplePath } from '.';

const RUN = 'run-5';
const desk = demoDesign('dawn-chorus-desk') as Design;
const [loop = ''] = desk.loops.map((l) => l.id);
const clipped = (on: boolean, of = desk): Design =>
  applyEdit(of, { do: 'connection.clips', loop, connection: RUN, clipped: on }).design;
const analysed = (design: Design) => {
  const { reports, findings } = analyse(design);
  const run = reports.runs.find((r) => r.id === RUN);
  if (!run?.routed) throw new Error('The desk has lost its longest run.');
  return { run, routed: run.routed, bom: reports.bom, findings };
};

describe('a soft tube held to its route by clips', () => {
  const free = analysed(desk),
    held = analysed(clipped(true));

  test('lies along its route, which stays; left to itself along its elastic curve', () => {
    expect(held.routed.path).toEqual(free.routed.path);
    expect(held.routed.lies).toBeNull();
    expect(middleLine(held.run, 4)).toEqual(samplePath(held.routed.path, 4));
    expect(free.routed.lies?.beside_mm).toBeGreaterThan(1);
    expect(middleLine(free.run, 4)).toBe(free.routed.lies?.points);
  });

  test('has a clip in the middle of each equal part of it', () => {
    const { cut_mm } = held.run,
      count = Math.round(cut_mm / CLIP_EVERY_MM);
    expect(CLIP_EVERY_MM).toBe(150);
    expect(held.routed.clips).toHaveLength(count);
    expect(free.routed.clips).toEqual([]);
    const line = samplePath(held.routed.path, 1);
    const along = (p: Vec): number =>
      line.reduce((best, q, i) => (distance(q, p) < distance(line[best] as Vec, p) ? i : best), 0);
    const part = line.length / count;
    held.routed.clips.forEach(({ at, along: way }, i) => {
      const k = along(at);
      expect(distance(line[k] as Vec, at)).toBeLessThan(1);
      expect(k / part).toBeCloseTo(i + 0.5, 1);
      // It goes the way the tube goes there.
      const step = sub(line[k + 1] as Vec, line[k - 1] as Vec);
      expect(
        distance(way, step.map((v) => v / Math.hypot(...step)) as unknown as Vec),
      ).toBeLessThan(0.05);
    });
  });

  test('its clips are on the list, and gone with them', () => {
    const clips = (of: typeof held) => of.bom.lines.find((l) => l.part === 'sun-clip');
    expect(clips(free)).toBeUndefined();
    expect(clips(held)).toMatchObject({ quantity: 1, unitPrice: 390, for: [RUN] });
    expect(clipped(false, clipped(true))).toEqual(desk);
  });
});

test('hard tube takes no clip: it stays where it was bent', () => {
  const tower = demoDesign('fenland-flood-tower') as Design;
  const [first] = tower.loops,
    connection = first?.connections.find((c) => c.by === 'tube')?.id ?? '';
  const { reports } = analyse(
    applyEdit(tower, {
      do: 'connection.clips',
      loop: first?.id ?? '',
      connection,
      clipped: true,
    }).design,
  );
  expect(reports.runs.find((r) => r.id === connection)?.routed?.clips).toEqual([]);
  expect(reports.bom.lines.some((l) => l.part === 'sun-clip')).toBe(false);
});
