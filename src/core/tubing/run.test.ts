import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import { compileSystem } from '../system';
import {
  bendMarks,
  bendStart,
  bendCorners,
  bendTable,
  developedLength,
  estimateRuns,
  setBack,
} from '.';

describe('bends', () => {
  /** Common practice, no source: 101.6 mm to the corner with a 12.7 mm radius starts at 88.9 mm. */
  test('the bend starts before the corner', () => {
    expect(bendStart(101.6, 12.7, 90)).toBeCloseTo(88.9, 9);
    expect(setBack(22, 90)).toBeCloseTo(22, 12);
  });

  test('a bent tube is shorter than its legs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 120, noNaN: true }),
        (radius_mm, angle_deg) => {
          expect(developedLength(500, [{ radius_mm, angle_deg }])).toBeLessThan(500);
        },
      ),
    );
  });

  /**
   * By hand: corners at 100 and 100 + 120, radii 20 and 40, both 90° in one plane. Straights 100 −
   * 20, 120 − 20 − 40, 90 − 40; arcs 20 π/2 and 40 π/2.
   */
  test('two radii in one run: each bend takes its own set-back and arc; a point in line keeps none', () => {
    const table = bendTable(
      [
        [0, 0, 0],
        [50, 0, 0],
        [100, 0, 0],
        [100, 120, 0],
        [10, 120, 0],
      ],
      [999, 20, 40],
    );
    expect(
      table.rows.map((r) => [Math.round(1e9 * r.length_mm) / 1e9, r.radius_mm, r.corner]),
    ).toEqual([
      [80, 20, 1],
      [60, 40, 2],
    ]);
    expect(table.last_mm).toBeCloseTo(50, 9);
    expect(table.developed_mm).toBeCloseTo(80 + 60 + 50 + 30 * Math.PI, 9);
    const marked = bendMarks(table.rows, table.last_mm, 8);
    expect(marked.marks.map((m) => m.start_mm)).toEqual([88, 88 + 10 * Math.PI + 60]);
    expect(marked.cut_mm).toBeCloseTo(table.developed_mm + 16, 9);
    expect(
      bendCorners(table.rows, table.last_mm, {
        at: [0, 0, 0],
        direction: [1, 0, 0],
        towards: [0, 1, 0],
      }).map((p) => p.map((v) => Math.round(1e6 * v) / 1e6 + 0)),
    ).toEqual([
      [0, 0, 0],
      [100, 0, 0],
      [100, 120, 0],
      [10, 120, 0],
    ]);
  });

  test('points in line make no bend; one point is no tube', () => {
    expect(
      bendTable(
        [
          [0, 0, 0],
          [50, 0, 0],
          [90, 0, 0],
        ],
        20,
      ).rows,
    ).toEqual([]);
    expect(() => bendTable([[0, 0, 0]], 20)).toThrow(RangeError);
  });

  test('bends too close together are said to be', () => {
    const t = bendTable(
      [
        [0, 0, 0],
        [100, 0, 0],
        [100, 30, 0],
        [200, 30, 0],
      ],
      25,
    );
    expect(t.feasible).toBe(false);
    expect(t.shortest_mm).toBeCloseTo(-20, 9);
  });
});

describe('lengths, rotations and angles back to corners', () => {
  const step = fc.record({
    axis: fc.integer({ min: 0, max: 2 }),
    by: fc.double({ min: 60, max: 400, noNaN: true }),
    sign: fc.constantFrom(1, -1),
    off: fc.double({ min: -30, max: 30, noNaN: true }),
  });
  test('XYZ to LRA and back, to 1e-9 of its size, over random tubes in space', () => {
    fc.assert(
      fc.property(
        fc.array(step, { minLength: 2, maxLength: 9 }),
        fc.double({ min: 1, max: 15, noNaN: true }),
        (steps, radius) => {
          const corners: [number, number, number][] = [[10, 20, 30]];
          steps.forEach((s, i) => {
            const last = corners[corners.length - 1] as [number, number, number],
              next: [number, number, number] = [...last];
            next[((i + s.axis) % 3) as 0] += s.by * s.sign;
            next[((i + s.axis + 1) % 3) as 0] += s.off;
            if (i > 0) {
              const before = corners[corners.length - 2] as [number, number, number],
                d0 = last.map((v, k) => v - (before[k] as number)),
                d1 = next.map((v, k) => v - (last[k] as number)),
                c =
                  (d0[0]! * d1[0]! + d0[1]! * d1[1]! + d0[2]! * d1[2]!) /
                  Math.hypot(...d0) /
                  Math.hypot(...d1);
              if (c < -0.9 || c > 0.999) return;
            }
            corners.push(next);
          });
          if (corners.length < 3) return;
          const table = bendTable(corners, radius);
          if (table.rows.some((r) => r.angle_deg < 1)) return;
          const [a, b, c] = corners as [
            [number, number, number],
            [number, number, number],
            [number, number, number],
          ];
          const back = bendCorners(table.rows, table.last_mm, {
            at: a,
            direction: [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
            towards: [c[0] - b[0], c[1] - b[1], c[2] - b[2]],
          });
          expect(back.length).toBe(corners.length);
          back.forEach((p, i) =>
            p.forEach((v, k) =>
              expect(Math.abs(v - ((corners[i] as number[])[k] as number))).toBeLessThan(
                1e-9 * 4000,
              ),
            ),
          );
        },
      ),
      { numRuns: 400 },
    );
  });

  test('a flat U and a half turn, by hand: 90°, then the same plane; the other way is 180°', () => {
    const pose = {
      at: [0, 0, 0] as const,
      direction: [1, 0, 0] as const,
      towards: [0, 1, 0] as const,
    };
    const u = bendTable(
        [
          [0, 0, 0],
          [100, 0, 0],
          [100, 80, 0],
          [0, 80, 0],
        ],
        10,
      ),
      z = bendTable(
        [
          [0, 0, 0],
          [100, 0, 0],
          [100, 80, 0],
          [200, 80, 0],
        ],
        10,
      );
    expect(u.rows.map((r) => Math.round(r.rotation_deg))).toEqual([0, 0]);
    expect(z.rows.map((r) => Math.round(Math.abs(r.rotation_deg)))).toEqual([0, 180]);
    expect(
      bendCorners(z.rows, z.last_mm, pose)[3]?.map((v) => Math.round(v * 1e6) / 1e6 + 0),
    ).toEqual([200, 80, 0]);
  });
});

describe('estimated runs', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;
  const runs = estimateRuns(compileSystem(desk));

  test('every link is a run, each labelled estimated', () => {
    expect(runs.map((r) => r.id)).toEqual(desk.loops[0]?.connections.map((l) => l.id));
    expect(runs.every((r) => r.estimated)).toBe(true);
  });

  test('no tube is shorter than the way between its fittings', () => {
    for (const r of runs) if (r.by === 'tube') expect(r.cut_mm).toBeGreaterThan(30);
  });

  test('reservoir and pump, port to port, are screwed together', () => {
    const direct = runs.find((r) => r.from.component === 'reservoir' && r.to.component === 'pump');
    expect(direct).toMatchObject({ by: 'direct', cut_mm: 0 });
    expect(direct?.fittings.map((f) => f.duty)).toEqual(['maleToMale']);
  });

  test('both ends of a tube have a fitting, adapters before them', () => {
    for (const r of runs.filter((x) => x.by === 'tube')) {
      for (const end of ['from', 'to'] as const) {
        const own = r.fittings.filter((f) => f.end === end).map((f) => f.duty);
        expect(own[own.length - 1]).toBe('compression');
        expect(own.length).toBe(r.ends[end] === 'straight' ? 1 : 2);
      }
    }
  });

  test('a wish for an end fitting is kept', () => {
    const connection = desk.loops[0]?.connections[2];
    const design = applyEdit(desk, {
      do: 'connection.ends',
      loop: 'loop',
      connection: connection?.id ?? '',
      ends: { from: 'straight', to: 'extender' },
    }).design;
    expect(estimateRuns(compileSystem(design)).find((r) => r.id === connection?.id)?.ends).toEqual({
      from: 'straight',
      to: 'extender',
    });
  });

  test('an end not placed is a guess that says so', () => {
    const loose = applyEdit(desk, {
      do: 'component.place',
      component: 'top-radiator',
      placement: { on: 'unplaced' },
    }).design;
    const guessed = estimateRuns(compileSystem(loose)).filter((r) => r.guess !== null);
    expect(guessed.length).toBe(2);
    expect(guessed[0]?.guess).toContain('no place');
  });

  test('hard tube bends at right angles and holds what its bore says', () => {
    const hard = estimateRuns(compileSystem(demoDesign('fenland-flood-tower') as Design));
    for (const r of hard.filter((x) => x.by === 'tube')) {
      expect(r.turning_deg % 90).toBe(0);
      expect(r.volume_mL).toBeCloseTo((Math.PI / 4) * 1.2 ** 2 * (r.cut_mm / 10), 6);
    }
  });
});
