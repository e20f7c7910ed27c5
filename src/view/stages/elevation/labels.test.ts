import { describe, expect, test } from '@jest/globals';
import type { Flat } from '@/core/elevation';
import { placeLabels, type Label, type Wanted } from './labels';

const flat = (x: number, y: number, w: number, h: number): Flat =>
  ({ x, y, w, h }) as unknown as Flat;
const part = (id: string, at: Flat, named = true): Wanted => ({ id, name: id, flat: at, named });

/** Room a name takes at one millimetre a pixel, as the drawing reckons it. */
const roomOf = ({ x, y, text, turned }: Label) => {
  const [w, h] = turned ? [15, text.length * 6.1] : [text.length * 6.1, 15];
  return { x0: x - w / 2, x1: x + w / 2, y0: y - h / 2, y1: y + h / 2 };
};

describe('names in a drawing', () => {
  test('a name stands in the middle of its part', () => {
    expect(placeLabels([part('pump', flat(0, 0, 100, 60))], 1)).toEqual([
      { id: 'pump', text: 'pump', x: 50, y: 30, turned: false },
    ]);
  });

  test('in a tall, narrow part it stands upright', () => {
    const [label] = placeLabels([part('reservoir', flat(0, 0, 20, 120))], 1);
    expect(label).toMatchObject({ turned: true, x: 10, y: 60 });
  });

  test('where it fits nowhere it is left out', () => {
    expect(placeLabels([part('graphics card', flat(0, 0, 20, 20))], 1)).toEqual([]);
  });

  test('closer to the eye a name takes less of the part: half a millimetre a pixel', () => {
    const small = [part('filter', flat(0, 0, 24, 10))];
    expect(placeLabels(small, 1)).toEqual([]);
    expect(placeLabels(small, 0.5)).toHaveLength(1);
  });

  test('a part of several bodies is named once, on the largest', () => {
    const [label, ...others] = placeLabels(
      [part('tank', flat(0, 0, 60, 30)), part('tank', flat(200, 0, 200, 90))],
      1,
    );
    expect(others).toEqual([]);
    expect(label).toMatchObject({ x: 300, y: 45 });
  });

  test('what stands in front covers the middle: the name moves to where its part is seen', () => {
    const [label] = placeLabels(
      [part('front', flat(20, 40, 160, 20), false), part('board', flat(0, 0, 200, 100))],
      1,
    );
    expect(label?.text).toBe('board');
    const room = roomOf(label as Label);
    expect(room.y1 < 40 || room.y0 > 60).toBe(true);
  });

  test('of many parts over each other no two names meet, and each is within its own', () => {
    const wanted = Array.from({ length: 40 }, (_, i) =>
      part(
        `part ${i}`,
        flat((i * 37) % 300, (i * 53) % 200, 60 + ((i * 29) % 90), 24 + (i % 5) * 9),
      ),
    );
    const labels = placeLabels(wanted, 1);
    expect(labels.length).toBeGreaterThan(5);
    labels.forEach((a, i) => {
      const own = wanted.find((w) => w.id === a.id)?.flat as Flat;
      const r = roomOf(a);
      expect(r.x0).toBeGreaterThanOrEqual(own.x - 1e-9);
      expect(r.x1).toBeLessThanOrEqual(own.x + own.w + 3 + 1e-9);
      for (const b of labels.slice(i + 1)) {
        const s = roomOf(b);
        expect([a.id, b.id, r.x1 < s.x0 || r.x0 > s.x1 || r.y1 < s.y0 || r.y0 > s.y1]).toEqual([
          a.id,
          b.id,
          true,
        ]);
      }
    });
  });
});
