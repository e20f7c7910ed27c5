import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { withoutRoutes, type Design } from '@/core/design';
import { analyse } from '@/core/analysis';
import type { Vec } from '@/core/geometry';
import type { System } from '@/core/system';
import type { Run } from '@/core/tubing';
import { placeLabels, type Wanted } from './labels';
import { caseWay, flatBox, flatPoint, sheetSize } from '@/core/elevation';
import { gapsOnSheet } from './gapsOnSheet';
import { estimatedPath, routedPath } from './runPath';

const SIZE: Vec = [400, 300, 200];

describe('from the case to the sheet', () => {
  test('window side: rear left, bottom down', () => {
    expect(flatPoint('side', SIZE, [0, 0, 50])).toEqual([0, 300]);
    expect(flatPoint('side', SIZE, [400, 300, 50])).toEqual([400, 0]);
    expect(sheetSize('side', SIZE)).toEqual([400, 300]);
  });

  test('front: glass left, as seen from before the case', () => {
    expect(flatPoint('front', SIZE, [0, 0, 200])).toEqual([0, 300]);
    expect(flatPoint('front', SIZE, [0, 0, 0])).toEqual([200, 300]);
    expect(sheetSize('front', SIZE)).toEqual([200, 300]);
  });

  test('top: glass at the bottom', () => {
    expect(flatPoint('top', SIZE, [10, 5, 200])).toEqual([10, 200]);
    expect(sheetSize('top', SIZE)).toEqual([400, 200]);
  });

  test.each(['side', 'front', 'top'] as const)(
    '%s: a way on the sheet leads the same way in the case',
    (view) => {
      const from: Vec = [120, 90, 60],
        [x0, y0] = flatPoint(view, SIZE, from),
        way = caseWay(view, 17, -9);
      const [x1, y1] = flatPoint(view, SIZE, [
        from[0] + way[0],
        from[1] + way[1],
        from[2] + way[2],
      ]);
      expect([x1 - x0, y1 - y0]).toEqual([17, -9]);
    },
  );

  test.each(['side', 'front', 'top'] as const)(
    '%s: boxes keep their extents and know what is in front',
    (view) => {
      const near = flatBox(view, SIZE, { min: [300, 250, 150], max: [390, 290, 190] }),
        far = flatBox(view, SIZE, { min: [10, 10, 10], max: [50, 40, 30] });
      expect(near.depth).toBeGreaterThan(far.depth);
      const farCorner = () => {
        if (view === 'side') return [40, 30];
        if (view === 'front') return [20, 30];
        return [40, 20];
      };
      expect([far.w, far.h]).toEqual(farCorner());
    },
  );
});

describe('labels', () => {
  const box = (
    id: string,
    name: string,
    x: number,
    y: number,
    w: number,
    h: number,
    named = true,
  ): Wanted => ({ id, name, named, flat: { x, y, w, h, depth: 0 } });
  const rooms = (labels: ReturnType<typeof placeLabels>) =>
    labels.map((l) => ({
      x0: l.x - l.text.length * 3,
      x1: l.x + l.text.length * 3,
      y0: l.y - 7,
      y1: l.y + 7,
    }));

  test('no two lie on each other', () => {
    const placed = rooms(
      placeLabels(
        [
          box('a', 'Processor block', 0, 0, 200, 60),
          box('c', 'Card', 0, 60, 200, 40),
          box('b', 'Board', 0, 0, 200, 200),
        ],
        1,
      ),
    );
    for (const [i, a] of placed.entries())
      for (const b of placed.slice(i + 1))
        expect(a.x1 <= b.x0 || b.x1 <= a.x0 || a.y1 <= b.y0 || b.y1 <= a.y0).toBe(true);
    expect(placed.length).toBe(3);
  });

  test('a name is not written on what covers its part', () => {
    const covered = placeLabels(
      [box('front', 'Cover', 0, 0, 100, 100, false), box('behind', 'Board', 0, 0, 100, 100)],
      1,
    );
    expect(covered).toEqual([]);
    const peeking = placeLabels(
      [box('front', 'Cover', 0, 0, 100, 60, false), box('behind', 'Board', 0, 0, 100, 100)],
      1,
    );
    expect(peeking[0]?.y).toBeGreaterThan(60);
  });

  test('narrow parts are named upright, tiny ones not at all', () => {
    expect(placeLabels([box('r', 'Front radiator', 0, 0, 30, 300)], 1)[0]?.turned).toBe(true);
    expect(placeLabels([box('t', 'Tiny thing', 0, 0, 10, 10)], 1)).toEqual([]);
  });

  test('a part of several solids is named once, on its largest', () => {
    const labels = placeLabels(
      [box('m', 'Board', 0, 0, 40, 20), box('m', 'Board', 0, 50, 200, 200)],
      1,
    );
    expect(labels.length).toBe(1);
    expect(labels[0]?.y).toBe(150);
  });
});

describe('runs as drawn', () => {
  const drawn = (system: System, run: Run, flat: (p: Vec) => readonly [number, number]) =>
    run.routed ? routedPath(run, flat) : estimatedPath(system, run, 30, flat);
  const path = (demo: string): string[] => {
    const { system, reports } = analyse(withoutRoutes(demoDesign(demo) as Design));
    const size = system.design.case?.interior as Vec;
    return reports.runs.flatMap((r) => drawn(system, r, (p) => flatPoint('side', size, p)) ?? []);
  };

  test('soft tube is a curve from port to port', () => {
    const paths = path('dawn-chorus-desk');
    expect(paths.length).toBe(5);
    for (const p of paths) expect(p).toMatch(/^M[\d. -]+C/);
  });

  test('hard tube has straight legs and rounded corners', () => {
    const paths = path('fenland-flood-tower');
    expect(paths.length).toBe(11);
    for (const p of paths) {
      expect(p).not.toContain('C');
      expect(p).not.toContain('NaN');
    }
    expect(paths.some((p) => p.includes('Q'))).toBe(true);
  });

  test('a routed run is drawn along its route, an estimated one is not', () => {
    const tower = demoDesign('fenland-flood-tower') as Design;
    const { system, reports } = analyse(tower);
    const size = system.design.case?.interior as Vec;
    const paths = reports.runs.flatMap(
      (r) => drawn(system, r, (p) => flatPoint('side', size, p)) ?? [],
    );
    expect(paths.length).toBe(11);
    expect(paths).not.toEqual(path('fenland-flood-tower'));
  });

  test('a joint is not drawn as a tube', () => {
    const { system, reports } = analyse(demoDesign('dawn-chorus-desk') as Design);
    const joint = reports.runs.find((r) => r.by === 'direct');
    expect(joint && drawn(system, joint, (p) => [p[0], p[1]])).toBeNull();
  });
});

describe('gaps beside what is picked', () => {
  const design = demoDesign('pocket-planetarium') as Design;
  const { system } = analyse(design);
  const size = design.case?.interior ?? SIZE;
  const all = (k: number) =>
    design.components.flatMap(({ id }) =>
      (['side', 'front', 'top'] as const).map((view) => gapsOnSheet(system, id, view, size, k)),
    );

  test('no two numbers of one direction lie on each other; close by, each has its own', () => {
    const nearPairs = (k: number, seen_k: number): number =>
      all(k).reduce(
        (sum, gaps) =>
          sum +
          gaps.filter((a, i) =>
            gaps.slice(i + 1).some((b) => {
              const [dx, dy] = [a.x1 + a.x2 - b.x1 - b.x2, a.y1 + a.y2 - b.y1 - b.y2];
              const isUpright = a.x1 === a.x2;
              if (isUpright !== (b.x1 === b.x2)) return false;
              // Numbers are some 11 px high and 25 px long.
              const [along, across] = isUpright ? [dy, dx] : [dx, dy];
              return Math.abs(along) / 2 < 25 * seen_k && Math.abs(across) / 2 < 11 * seen_k;
            }),
          ).length,
        0,
      );
    expect(nearPairs(0.8, 0.8)).toBe(0);
    // Drawn as if seen from very near, the same build has such pairs.
    expect(nearPairs(1e-3, 0.8)).toBeGreaterThan(0);
  });

  test('the narrowest first, and no more than four', () => {
    for (const gaps of all(0.8)) {
      expect(gaps.length).toBeLessThanOrEqual(4);
      expect(gaps.map((g) => g.gap_mm)).toEqual(gaps.map((g) => g.gap_mm).sort((a, b) => a - b));
    }
  });

  test('a line is as long as the gap it tells', () => {
    for (const gap of all(0.8).flat())
      expect(Math.hypot(gap.x2 - gap.x1, gap.y2 - gap.y1)).toBeCloseTo(gap.gap_mm, 6);
  });
});
